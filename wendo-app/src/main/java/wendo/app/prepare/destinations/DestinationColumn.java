package wendo.app.prepare.destinations;

import java.time.Instant;
import java.util.Comparator;
import java.util.Locale;
import java.util.Map;
import java.util.UUID;
import wendo.app.platform.site.ListColumn;

/** The columns of the list of destinations, which is in memory. */
enum DestinationColumn implements ListColumn {
    DESTINATION("common.destination"),
    HEALTH("common.health"),
    CHECKED("common.checked"),
    LINKS("common.links");

    private final String heading;

    DestinationColumn(String heading) {
        this.heading = heading;
    }

    /** How two are compared in this column: as the first press on its heading sorts them, or the other way round. */
    Comparator<DestinationListed> order(Map<UUID, Long> links) {
        return switch (this) {
            case DESTINATION -> Comparator.comparing(one -> one.label().toLowerCase(Locale.ROOT));
            case HEALTH ->
                Comparator.comparing((DestinationListed one) -> !one.health().isFailing())
                        .thenComparing(one -> one.health().isKnown());
            case CHECKED -> Comparator.comparing(one -> one.health().checkedAt().orElse(Instant.EPOCH));
            case LINKS -> Comparator.comparing(one -> links.getOrDefault(one.id(), 0L));
        };
    }

    @Override
    public String heading() {
        return heading;
    }

    @Override
    public String sql() {
        return "";
    }

    @Override
    public boolean isSortable() {
        return true;
    }

    @Override
    public boolean isGreatestFirst() {
        return this == CHECKED || this == LINKS;
    }

    @Override
    public boolean isFigure() {
        return this == LINKS;
    }
}
