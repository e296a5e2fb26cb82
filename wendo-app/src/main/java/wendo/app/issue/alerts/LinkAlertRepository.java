package wendo.app.issue.alerts;

import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.Repository;

interface LinkAlertRepository extends Repository<LinkAlert, LinkAlert.Key> {
    Optional<LinkAlert> findById(LinkAlert.Key key);

    void save(LinkAlert alert);

    void delete(LinkAlert alert);

    @Modifying(flushAutomatically = true)
    @Query("delete from LinkAlert one where one.personId = :person")
    void deleteByPersonId(UUID person);
}
