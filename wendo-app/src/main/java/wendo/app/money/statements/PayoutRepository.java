package wendo.app.money.statements;

import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;

interface PayoutRepository extends JpaRepository<Payout, UUID> {
    Optional<Payout> findByNumber(int number);
}
