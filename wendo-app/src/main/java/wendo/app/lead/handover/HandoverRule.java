package wendo.app.lead.handover;

import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import wendo.app.platform.business.BusinessEntity;

/** What was set for the leads of one link, source or campaign, or of the business. */
@Entity
@Table(name = "handover")
class HandoverRule extends BusinessEntity {
    private String reach;
    private UUID reachId;
    private String ownerIs;
    private @Nullable UUID personId;
    private @Nullable UUID roundId;
    private String partner;
    private String[] labels = {};
    private String note;
    private boolean alerts;
    private @Nullable UUID planId;

    @SuppressWarnings("NullAway.Init")
    protected HandoverRule() {}

    @SuppressWarnings("NullAway.Init")
    HandoverRule(Reach reach, UUID reachId) {
        super(UUID.randomUUID());
        this.reach = reach.key();
        this.reachId = reachId;
    }

    void become(Handover handover) {
        this.ownerIs = handover.ownerIs();
        this.personId = handover.person().orElse(null);
        this.roundId = handover.round().orElse(null);
        this.partner = handover.partner();
        this.labels = handover.labels().toArray(String[]::new);
        this.note = handover.note();
        this.alerts = handover.alerts();
        this.planId = handover.plan().orElse(null);
    }

    /** To somebody else, or to nobody. */
    void pass(Optional<UUID> successor) {
        this.personId = successor.orElse(null);
        this.ownerIs = successor.isPresent() ? ownerIs : Handover.NOBODY;
    }

    boolean isOf(Reach of, Optional<UUID> id) {
        return reach.equals(of.key())
                && (of == Reach.BUSINESS || id.filter(reachId::equals).isPresent());
    }

    Handover handover() {
        return new Handover(
                ownerIs,
                Optional.ofNullable(personId),
                Optional.ofNullable(roundId),
                partner,
                List.of(labels),
                note,
                alerts,
                Optional.ofNullable(planId));
    }
}
