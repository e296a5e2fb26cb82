package wendo.app.money.partners;

import java.util.Optional;
import java.util.UUID;
import org.springframework.data.repository.Repository;

interface CommissionReviewRepository extends Repository<CommissionReview, UUID> {
    Optional<CommissionReview> findById(UUID id);
}
