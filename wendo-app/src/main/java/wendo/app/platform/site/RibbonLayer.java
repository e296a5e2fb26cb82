package wendo.app.platform.site;

import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import wendo.core.measure.Period;

/** What a feature adds to the season ribbon. */
public interface RibbonLayer {

    /** Outcomes of each day that has any. */
    default Map<LocalDate, Long> outcomesByDay(Period period) {
        return Map.of();
    }

    /** Campaigns that run in the period. */
    default List<Span> campaigns(Period period) {
        return List.of();
    }

    /** A named stretch of days, both included. */
    record Span(String name, LocalDate first, LocalDate last) {}
}
