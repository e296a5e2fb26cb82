package wendo.app.place.newsletters;

import java.util.UUID;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.Repository;

interface SubscriberRepository extends Repository<Subscriber, UUID> {
    void save(Subscriber subscriber);

    @Modifying(flushAutomatically = true, clearAutomatically = true)
    @Query(nativeQuery = true, value = """
            update subscriber set email = 'erased-' || id where lower(email) = any(:contacts)
            """)
    void erase(String[] contacts);
}
