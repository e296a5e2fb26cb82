package wendo.app.money.targets;

import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import java.util.EnumMap;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import wendo.app.platform.business.BusinessEntity;
import wendo.core.outcomes.OutcomeKind;

/** What was set for the business, or for one of its sources. */
@Entity
@Table(name = "target")
class SetTarget extends BusinessEntity {
    private @Nullable UUID sourceId;
    private @Nullable Long leadMinor;
    private @Nullable Long bookingMinor;
    private @Nullable Long purchaseMinor;
    private @Nullable Long subscriptionMinor;
    private @Nullable Integer marginPercent;

    protected SetTarget() {}

    SetTarget(Optional<UUID> source) {
        super(UUID.randomUUID());
        this.sourceId = source.orElse(null);
    }

    Optional<UUID> source() {
        return Optional.ofNullable(sourceId);
    }

    void set(Target target) {
        this.leadMinor = target.ceilingMinor(OutcomeKind.LEAD).orElse(null);
        this.bookingMinor = target.ceilingMinor(OutcomeKind.BOOKING).orElse(null);
        this.purchaseMinor = target.ceilingMinor(OutcomeKind.PURCHASE).orElse(null);
        this.subscriptionMinor = target.ceilingMinor(OutcomeKind.SUBSCRIPTION).orElse(null);
        this.marginPercent =
                target.marginPercent().isPresent() ? target.marginPercent().getAsInt() : null;
    }

    Target target() {
        Map<OutcomeKind, Long> ceilings = new EnumMap<>(OutcomeKind.class);
        put(ceilings, OutcomeKind.LEAD, leadMinor);
        put(ceilings, OutcomeKind.BOOKING, bookingMinor);
        put(ceilings, OutcomeKind.PURCHASE, purchaseMinor);
        put(ceilings, OutcomeKind.SUBSCRIPTION, subscriptionMinor);
        return new Target(ceilings, marginPercent == null ? OptionalInt.empty() : OptionalInt.of(marginPercent));
    }

    private static void put(Map<OutcomeKind, Long> ceilings, OutcomeKind kind, @Nullable Long minor) {
        if (minor != null) {
            ceilings.put(kind, minor);
        }
    }
}
