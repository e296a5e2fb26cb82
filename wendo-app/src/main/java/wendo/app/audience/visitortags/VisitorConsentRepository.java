package wendo.app.audience.visitortags;

import java.time.Instant;
import java.util.UUID;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.NativeQuery;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.Repository;

interface VisitorConsentRepository extends Repository<VisitorConsent, UUID> {
    VisitorConsent saveAndFlush(VisitorConsent consent);

    @Query("select count(c) from VisitorConsent c where c.answeredAt < :before")
    int countBefore(Instant before);

    @Modifying
    @Query("delete from VisitorConsent c where c.answeredAt < :before")
    void eraseBefore(Instant before);

    @Modifying
    @NativeQuery(
            "delete from visitor_consent where click_id in (select o.click_id from outcome o where o.id = any(:outcomes))")
    void erase(UUID[] outcomes);
}
