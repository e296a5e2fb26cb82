package wendo.app.place.messages;

import java.util.Optional;
import java.util.UUID;
import org.springframework.data.repository.Repository;

interface MessageRepository extends Repository<Message, UUID> {
    Optional<Message> findById(UUID link);

    Optional<Message> findFirstByPriceMillisNotNullOrderByUpdatedAtDesc();

    void save(Message message);
}
