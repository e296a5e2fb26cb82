package wendo.core.credit;

import java.util.List;
import java.util.UUID;

/**
 * The sources that people met, in their order, and how many of those who went this way had an outcome.
 *
 * @param people who went this way, {@code converted} of them with an outcome
 */
public record Journey(List<UUID> sources, long people, long converted) {

    public Journey {
        sources = List.copyOf(sources);
        if (converted < 0 || converted > people) {
            throw new IllegalArgumentException(
                    "Those with an outcome must be 0 to all %d people, but were %d".formatted(people, converted));
        }
    }
}
