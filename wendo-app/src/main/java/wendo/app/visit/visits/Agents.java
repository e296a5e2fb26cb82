package wendo.app.visit.visits;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;
import ua_parser.Client;
import ua_parser.Parser;
import wendo.app.platform.site.BrowserNames;
import wendo.app.platform.site.Digest;
import wendo.core.visits.Sorted;
import wendo.core.visits.Sorting;

/** What a user agent tells, by published lists. Reading one takes milliseconds, so what was read is kept by its digest. */
@Component
class Agents implements BrowserNames {
    private static final int MOST = 20_000;
    private static final int MAX_NAME = 60;
    private static final String OTHER = "Other"; // what the list calls what it does not know

    private final Sorting sorting;
    private final Parser parser = new Parser();
    private final Cache<String, Agent> known =
            Caffeine.newBuilder().maximumSize(MOST).build();

    Agents(Sorting sorting) {
        this.sorting = sorting;
    }

    /**
     * A user agent as it was read.
     *
     * @param sorted what it is sorted as for this alone; empty for an ordinary browser
     * @param system the operating system's name without version, or empty text
     * @param browser the browser's name without version, or empty text
     */
    record Agent(Optional<Sorted> sorted, String system, String browser) {}

    Agent of(String userAgent) {
        return known.get(Digest.of(userAgent), unknown -> read(userAgent));
    }

    @Override
    public String browser(String userAgent) {
        Agent agent = of(userAgent);
        return Stream.of(agent.browser(), agent.system())
                .filter(part -> !part.isEmpty())
                .collect(Collectors.joining(", "));
    }

    private Agent read(String userAgent) {
        Optional<Sorted> sorted = sorting.sortUserAgent(userAgent);
        if (sorted.isPresent()) {
            return new Agent(sorted, "", "");
        }
        Client client = parser.parse(userAgent);
        return new Agent(sorted, name(client.os.family), name(client.userAgent.family));
    }

    private static String name(String family) {
        return family.equals(OTHER) ? "" : family.length() <= MAX_NAME ? family : family.substring(0, MAX_NAME);
    }
}
