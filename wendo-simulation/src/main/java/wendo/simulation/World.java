package wendo.simulation;

import java.util.List;
import wendo.core.outcomes.OutcomeKind;

/**
 * A business as it truly is.
 *
 * @param bookingMinor average value of a booking in minor units, {@code purchaseMinor} of a purchase
 */
public record World(List<TrueSource> sources, Habits habits, int bookingMinor, int purchaseMinor) {

    public World {
        sources = List.copyOf(sources);
    }

    int averageMinor(OutcomeKind kind) {
        return switch (kind) {
            case LEAD, SUBSCRIPTION -> 0;
            case BOOKING -> bookingMinor;
            case PURCHASE -> purchaseMinor;
        };
    }
}
