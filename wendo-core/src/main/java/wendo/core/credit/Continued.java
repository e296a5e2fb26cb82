package wendo.core.credit;

import java.time.Duration;
import java.time.Instant;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.UUID;

/**
 * A lead of somebody, as what a later booking or purchase may continue: by the same reference, else as the latest of the
 * same person within 180 days. Ours.
 */
public record Continued(UUID lead, String reference, Instant at) {
    /** How long after a lead what the same person books still continues it. */
    public static final Duration WITHIN = Duration.ofDays(180);

    /** @param leads of the same person, and those of the same reference */
    public static Optional<Continued> of(String reference, Instant outcomeAt, List<Continued> leads) {
        Comparator<Continued> best = Comparator.<Continued, Boolean>comparing(
                        lead -> lead.reference().equals(reference))
                .thenComparing(Continued::at);
        return leads.stream()
                .filter(lead -> !lead.at().isAfter(outcomeAt))
                .filter(lead -> lead.reference().equals(reference) || lead.at().isAfter(outcomeAt.minus(WITHIN)))
                .max(best);
    }
}
