package wendo.app.visit.visits;

import java.util.List;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import wendo.app.platform.business.BusinessId;

/** Visits have become visible, of any businesses. */
public record VisitsStored(List<Visit> visits) {
    public VisitsStored {
        visits = List.copyOf(visits);
    }

    /** @param isProof made through a proof of the link */
    public record Visit(BusinessId business, UUID click, UUID visitor, boolean isProof) {}

    public Set<BusinessId> businesses() {
        return visits.stream().map(Visit::business).collect(Collectors.toUnmodifiableSet());
    }

    /** Whose each of the {@link #clicks} is, as PostgreSQL takes it. */
    public UUID[] owners() {
        return visits.stream().map(visit -> visit.business().value()).toArray(UUID[]::new);
    }

    public UUID[] visitors() {
        return visits.stream().map(Visit::visitor).toArray(UUID[]::new);
    }

    public UUID[] clicks() {
        return visits.stream().map(Visit::click).toArray(UUID[]::new);
    }
}
