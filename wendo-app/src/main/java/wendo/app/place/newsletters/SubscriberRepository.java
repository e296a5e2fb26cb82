package wendo.app.place.newsletters;

import java.util.UUID;
import org.springframework.data.repository.Repository;

interface SubscriberRepository extends Repository<Subscriber, UUID> {
    void save(Subscriber subscriber);
}
