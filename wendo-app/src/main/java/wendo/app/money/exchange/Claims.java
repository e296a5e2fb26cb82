package wendo.app.money.exchange;

import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import wendo.app.outcome.outcomes.Outcomes;
import wendo.app.platform.business.EditedVersion;
import wendo.app.platform.site.Texts;
import wendo.core.outcomes.OutcomeKind;

/** Outcomes that partners say were theirs. One that is accepted is evidence; a declined one says why. */
@Service
public class Claims {
    /** So many wait for an answer at most, of one partner. */
    static final int MOST_OPEN = 50;

    private final PartnerClaimRepository repository;
    private final Outcomes outcomes;
    private final ApplicationEventPublisher events;
    private final Clock clock;

    Claims(PartnerClaimRepository repository, Outcomes outcomes, ApplicationEventPublisher events, Clock clock) {
        this.repository = repository;
        this.outcomes = outcomes;
        this.events = events;
        this.clock = clock;
    }

    /**
     * A claim.
     *
     * @param outcome the one it names, if that is known; a partner is never shown whether it is
     */
    public record Shown(
            UUID id,
            int version,
            OutcomeKind kind,
            String reference,
            String said,
            PartnerClaim.State state,
            String reason,
            Instant madeAt,
            String decidedBy,
            Optional<UUID> outcome) {}

    @Transactional(readOnly = true)
    public List<Shown> of(UUID partner) {
        return repository.findTop100ByPartnerIdOrderByMadeAtDescIdAsc(partner).stream()
                .map(one -> one.shown(one.outcome().or(() -> outcomes.find(one.kind(), one.reference()))))
                .toList();
    }

    /**
     * A partner's claim. The same one again is refused by its unique key.
     *
     * @return false if too many wait already
     */
    @Transactional
    public boolean make(UUID partner, ClaimForm form) {
        if (repository.countByPartnerIdAndState(partner, PartnerClaim.State.OPEN.key()) >= MOST_OPEN) {
            return false;
        }
        repository.save(new PartnerClaim(partner, form, clock.instant()));
        return true;
    }

    /** What somebody of the business decides, and why. */
    record Decision(boolean isAccepted, String reason, String by) {}

    /** What is wrong with a decision; empty if it holds now. A decision can be made again the other way. */
    @Transactional
    Optional<String> decide(UUID partner, UUID id, EditedVersion edited, Decision decision) {
        PartnerClaim claim = repository
                .findById(id)
                .filter(one -> one.partner().equals(partner))
                .orElseThrow();
        claim.mustStillBe(edited);
        Optional<String> fault = decision.isAccepted() ? accept(claim, decision) : decline(claim, decision);
        if (fault.isEmpty()) {
            events.publishEvent(new ExchangeNews(partner, ExchangeNews.What.CLAIM_DECIDED));
        }
        return fault;
    }

    private Optional<String> accept(PartnerClaim claim, Decision decision) {
        Optional<UUID> outcome = outcomes.find(claim.kind(), claim.reference());
        if (outcome.isEmpty()) {
            return Optional.of(
                    Texts.of("money.exchange.unknown-outcome", claim.kind().key(), claim.reference()));
        }
        if (!outcomes.claim(outcome.get(), claim.partner(), true, decision.by())) {
            return Optional.of(Texts.of("money.exchange.claimed-already"));
        }
        claim.accept(outcome.get(), clock.instant(), decision.by());
        return Optional.empty();
    }

    private Optional<String> decline(PartnerClaim claim, Decision decision) {
        if (decision.reason().isEmpty()) {
            return Optional.of(Texts.of("money.exchange.reason-missing"));
        }
        claim.outcome().ifPresent(outcome -> outcomes.claim(outcome, claim.partner(), false, decision.by()));
        claim.decline(decision.reason(), clock.instant(), decision.by());
        return Optional.empty();
    }
}
