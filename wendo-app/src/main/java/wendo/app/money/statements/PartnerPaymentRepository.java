package wendo.app.money.statements;

import java.util.List;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;

interface PartnerPaymentRepository extends JpaRepository<PartnerPayment, UUID> {
    List<PartnerPayment> findByPayoutId(UUID payout);
}
