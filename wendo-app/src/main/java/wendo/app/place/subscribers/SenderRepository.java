package wendo.app.place.subscribers;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.Repository;

interface SenderRepository extends Repository<Sender, UUID> {
    @Query("select sender from Sender sender order by lower(sender.name)")
    List<Sender> findAll();

    Optional<Sender> findById(UUID id);

    Optional<Sender> findByName(String name);

    void save(Sender sender);

    void deleteById(UUID id);
}
