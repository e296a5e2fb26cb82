package wendo.app.money.exchange;

import jakarta.persistence.Entity;
import java.time.Instant;
import java.util.Locale;
import java.util.Optional;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import wendo.app.platform.business.BusinessEntity;
import wendo.core.outcomes.OutcomeKind;
import wendo.core.outcomes.OutcomeReport;

/** A partner says that an outcome was theirs, by the reference that they know it by. */
@Entity
@SuppressWarnings("UnusedVariable") // written for the database, not read in Java
class PartnerClaim extends BusinessEntity {
    private UUID partnerId;
    private String outcomeKind;
    private String reference;
    private String referenceKey;
    private String said;
    private String state = State.OPEN.key();
    private @Nullable UUID outcomeId;
    private String reason = "";
    private Instant madeAt;
    private @Nullable Instant decidedAt;
    private String decidedBy = "";

    @SuppressWarnings("NullAway.Init")
    protected PartnerClaim() {}

    PartnerClaim(UUID partner, ClaimForm form, Instant now) {
        super(UUID.randomUUID());
        this.partnerId = partner;
        this.outcomeKind = form.kind().key();
        this.reference = form.reference();
        this.referenceKey = OutcomeReport.key(form.reference());
        this.said = form.said();
        this.madeAt = now;
    }

    void accept(UUID outcome, Instant now, String by) {
        this.outcomeId = outcome;
        decide(State.ACCEPTED, "", now, by);
    }

    void decline(String reason, Instant now, String by) {
        decide(State.DECLINED, reason, now, by);
    }

    private void decide(State state, String reason, Instant now, String by) {
        this.state = state.key();
        this.reason = reason;
        this.decidedAt = now;
        this.decidedBy = by;
    }

    UUID partner() {
        return partnerId;
    }

    OutcomeKind kind() {
        return OutcomeKind.find(outcomeKind).orElseThrow();
    }

    String reference() {
        return reference;
    }

    /** The outcome that it was accepted for. */
    Optional<UUID> outcome() {
        return Optional.ofNullable(outcomeId);
    }

    Claims.Shown shown(Optional<UUID> outcome) {
        return new Claims.Shown(
                id(), version(), kind(), reference, said, State.of(state), reason, madeAt, decidedBy, outcome);
    }

    /** What became of a claim. */
    enum State {
        OPEN,
        ACCEPTED,
        DECLINED;

        String key() {
            return name().toLowerCase(Locale.ROOT);
        }

        static State of(String key) {
            return valueOf(key.toUpperCase(Locale.ROOT));
        }
    }
}
