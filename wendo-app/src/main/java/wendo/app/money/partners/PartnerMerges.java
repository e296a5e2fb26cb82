package wendo.app.money.partners;

import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.event.TransactionalEventListener;
import wendo.app.platform.business.BusinessScope;
import wendo.app.platform.site.Texts;
import wendo.app.prepare.sources.SourceMergeGuard;
import wendo.app.prepare.sources.SourcesMerged;

/** A partner's statements are its own and stay with it; what is merged into a partner earns it something. */
@Component
class PartnerMerges implements SourceMergeGuard {
    private final PartnerRepository repository;
    private final Commissions commissions;
    private final BusinessScope scope;

    PartnerMerges(PartnerRepository repository, Commissions commissions, BusinessScope scope) {
        this.repository = repository;
        this.commissions = commissions;
        this.scope = scope;
    }

    @Override
    @Transactional(readOnly = true)
    public Optional<String> refusal(UUID merged) {
        return repository.findById(merged).map(partner -> Texts.of("money.partners.not-merged"));
    }

    /** The credit of the merged source has moved by then. */
    @TransactionalEventListener
    void on(SourcesMerged merged) {
        scope.within(BusinessScope.current(), () -> {
            repository.findById(merged.kept()).ifPresent(partner -> commissions.workOutAll(partner.id()));
            return merged;
        });
    }
}
