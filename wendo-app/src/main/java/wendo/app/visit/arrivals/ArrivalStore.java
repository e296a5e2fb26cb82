package wendo.app.visit.arrivals;

import java.sql.Timestamp;
import java.time.Clock;
import java.time.Instant;
import java.util.Optional;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import wendo.app.platform.business.BusinessScope;
import wendo.app.platform.site.Texts;
import wendo.app.prepare.sources.Sources;
import wendo.core.links.Channel;
import wendo.core.links.Device;
import wendo.core.visits.Origin;
import wendo.core.visits.SiteArrival;
import wendo.core.visits.SiteVisitor;
import wendo.core.visits.Sorted;
import wendo.core.visits.Sorting;
import wendo.core.visits.VisitKind;

/**
 * Keeps arrivals. All search engines together are one source, and so are all social networks and all other websites:
 * anybody can make the tag report any host. A person decides which host is a source of its own.
 */
@Component
class ArrivalStore {
    private static final int MAX_ADDRESS = 1500;
    private static final int MAX_HOST = 255;

    private final Sources sources;
    private final ArrivalSums sums;
    private final JdbcClient jdbc;
    private final Clock clock;

    ArrivalStore(Sources sources, ArrivalSums sums, JdbcClient jdbc, Clock clock) {
        this.sources = sources;
        this.sums = sums;
        this.jdbc = jdbc;
        this.clock = clock;
    }

    /** What the tag tells of an arrival, with what its request says of the browser. */
    record Came(String page, String referrer, String visitor, Device device, Sorted sorted) {}

    /** False if it came from the site itself, which is no arrival. Runs in the transaction of its caller. */
    boolean keep(Came came) {
        Optional<SiteArrival> sorted =
                SiteArrival.find(came.page(), came.referrer(), tag -> find(tag).isPresent());
        sorted.ifPresent(arrival -> insert(came, arrival));
        return sorted.isPresent();
    }

    private Optional<UUID> find(String tag) {
        return jdbc.sql("select coalesce(merged_into, id) from source where tag = ?")
                .param(tag)
                .query(UUID.class)
                .optional();
    }

    private void insert(Came came, SiteArrival arrival) {
        Instant now = clock.instant();
        Optional<UUID> known = SiteVisitor.find(came.visitor());
        UUID visitor = known.orElseGet(UUID::randomUUID);
        boolean isRepeat = came.sorted().kind() == VisitKind.PERSON
                && known.isPresent()
                && isRepeat(visitor, now.minus(Sorting.REPEAT_WITHIN));
        UUID id = UUID.randomUUID();
        jdbc.sql("insert into site_arrival values (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?)")
                .params(BusinessScope.current().value(), id, Timestamp.from(now), visitor)
                .params(
                        isRepeat ? VisitKind.REPEAT.key() : came.sorted().kind().key(),
                        isRepeat
                                ? Texts.kept("visit.arrivals.the-same-visitor-arrived-less")
                                : came.sorted().reason(),
                        arrival.origin().key())
                .param(source(arrival).orElse(null))
                .params(
                        plain(arrival.referrerHost(), MAX_HOST),
                        plain(came.referrer(), MAX_ADDRESS),
                        plain(came.page(), MAX_ADDRESS),
                        came.device().key())
                .update();
        sums.add(id);
    }

    private boolean isRepeat(UUID visitor, Instant since) {
        return jdbc.sql("select exists (select from site_arrival where visitor = ? and arrived_at > ?)")
                .params(visitor, Timestamp.from(since))
                .query(Boolean.class)
                .single();
    }

    private Optional<UUID> source(SiteArrival arrival) {
        return switch (arrival.origin()) {
            case TAGGED -> find(arrival.tag());
            case SOCIAL -> Optional.of(standing(arrival.origin(), Channel.SOCIAL));
            case SEARCH, REFERRAL -> Optional.of(standing(arrival.origin(), Channel.OTHER));
            case DIRECT -> Optional.empty();
        };
    }

    private UUID standing(Origin origin, Channel channel) {
        return sources.findOrCreate(origin.source(), channel).id();
    }

    private static String plain(String text, int most) {
        String printable = text.replaceAll("\\p{Cntrl}", " ");
        return printable.length() <= most ? printable : printable.substring(0, most);
    }
}
