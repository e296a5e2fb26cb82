package wendo.app.money.statements;

import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;

interface PayoutAccountRepository extends JpaRepository<PayoutAccount, UUID> {}
