package wendo.app.money.partners;

import java.time.Clock;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import wendo.app.platform.business.EditedVersion;

/** What somebody decides of outcomes that look odd. */
@Service
class CommissionReviews {
    private final CommissionReviewRepository repository;
    private final Commissions commissions;
    private final Clock clock;

    CommissionReviews(CommissionReviewRepository repository, Commissions commissions, Clock clock) {
        this.repository = repository;
        this.commissions = commissions;
        this.clock = clock;
    }

    /** False if there is no such review of this partner. */
    @Transactional
    boolean decide(UUID partner, UUID id, EditedVersion edited, Decision decision) {
        Optional<CommissionReview> review =
                repository.findById(id).filter(one -> one.partner().equals(partner));
        review.ifPresent(one -> {
            one.mustStillBe(edited);
            one.decide(decision.isPaid(), clock.instant(), decision.by());
            commissions.look(List.of(one.outcome()));
        });
        return review.isPresent();
    }

    /** Whether an outcome earns after all, and who says so. */
    record Decision(boolean isPaid, String by) {}
}
