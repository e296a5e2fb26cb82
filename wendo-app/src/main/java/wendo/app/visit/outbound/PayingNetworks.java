package wendo.app.visit.outbound;

import java.time.ZoneId;
import java.util.List;
import java.util.OptionalDouble;
import java.util.UUID;
import wendo.core.measure.Period;
import wendo.core.visits.OutgoingPattern;

/** The partner networks that pay for visits, as whoever knows income tells of them. */
public interface PayingNetworks {
    /**
     * A network and what its visits earned.
     *
     * @param perVisitMinor approved income ÷ visits that were sent out, in minor units; empty without visits
     */
    record Paying(UUID id, String name, long visitsOut, OptionalDouble perVisitMinor) {}

    List<Paying> within(Period period, ZoneId zone);

    /** The addresses at which they take visits. */
    List<OutgoingPattern> addresses();
}
