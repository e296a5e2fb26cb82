package wendo.app.visit.visits;

import jakarta.servlet.http.HttpServletRequest;
import java.time.Instant;
import java.util.Optional;
import org.springframework.stereotype.Component;
import wendo.core.visits.Arrival;
import wendo.core.visits.Sorted;
import wendo.core.visits.Sorting;
import wendo.core.visits.VisitKind;

/** Tells robots and previews by what they say of themselves, where a page must do nothing for them. */
@Component
public class Automatic {
    private final Sorting sorting;
    private final Agents agents;

    Automatic(Sorting sorting, Agents agents) {
        this.sorting = sorting;
        this.agents = agents;
    }

    public boolean is(HttpServletRequest request) {
        return sort(request).kind() != VisitKind.PERSON;
    }

    /** As a person, a preview or a robot, with the reason. */
    public Sorted sort(HttpServletRequest request) {
        String purpose = header(request, "Sec-Purpose") + header(request, "Purpose");
        Arrival arrival = new Arrival("", "", Instant.EPOCH, header(request, "User-Agent"), purpose);
        return sorting.sort(arrival, Optional.empty());
    }

    /** By this alone; empty for an ordinary browser. What was read is remembered. */
    public Optional<Sorted> sortUserAgent(String userAgent) {
        return agents.of(userAgent).sorted();
    }

    private static String header(HttpServletRequest request, String name) {
        String value = request.getHeader(name);
        return value == null ? "" : value;
    }
}
