package wendo.app.issue.alerts;

import java.util.Optional;
import org.springframework.data.repository.Repository;

interface LinkAlertRepository extends Repository<LinkAlert, LinkAlert.Key> {
    Optional<LinkAlert> findById(LinkAlert.Key key);

    void save(LinkAlert alert);

    void delete(LinkAlert alert);
}
