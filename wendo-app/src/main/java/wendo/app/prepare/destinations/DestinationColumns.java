package wendo.app.prepare.destinations;

import static wendo.app.platform.site.ListColumn.Trait.FIGURE;
import static wendo.app.platform.site.ListColumn.Trait.GREATEST_FIRST;

import java.time.Instant;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.UUID;
import wendo.app.platform.site.ListColumn;

/** The columns of the list of destinations. */
final class DestinationColumns {
    static final List<ListColumn> ALL = List.of(
            ListColumn.of("destination", "common.destination", ""),
            ListColumn.of("health", "common.health", ""),
            ListColumn.of("checked", "common.checked", "", GREATEST_FIRST),
            ListColumn.of("links", "common.links", "", GREATEST_FIRST, FIGURE));

    private DestinationColumns() {}

    /** How two are compared in a column: as the first press on its heading sorts them, or the other way round. */
    static Comparator<DestinationListed> order(ListColumn column, Map<UUID, Long> links) {
        return switch (column.key()) {
            case "destination" -> Comparator.comparing(one -> one.label().toLowerCase(Locale.ROOT));
            case "health" ->
                Comparator.comparing((DestinationListed one) -> !one.health().isFailing())
                        .thenComparing(one -> one.health().isKnown());
            case "checked" ->
                Comparator.comparing(one -> one.health().checkedAt().orElse(Instant.EPOCH));
            default -> Comparator.comparing(one -> links.getOrDefault(one.id(), 0L));
        };
    }
}
