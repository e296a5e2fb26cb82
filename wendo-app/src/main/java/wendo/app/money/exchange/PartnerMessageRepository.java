package wendo.app.money.exchange;

import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.Repository;

interface PartnerMessageRepository extends Repository<PartnerMessage, UUID> {
    PartnerMessage save(PartnerMessage message);

    List<PartnerMessage> findTop100ByPartnerIdOrderByWrittenAtDescIdAsc(UUID partner);

    long countByPartnerIdAndFromPartnerTrueAndReadAtIsNull(UUID partner);

    @Modifying
    @Query("update PartnerMessage m set m.readAt = ?2 where m.partnerId = ?1 and m.fromPartner and m.readAt is null")
    void read(UUID partner, Instant now);
}
