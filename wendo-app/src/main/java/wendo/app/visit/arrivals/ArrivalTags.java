package wendo.app.visit.arrivals;

import java.net.URLDecoder;
import java.nio.charset.StandardCharsets;
import java.sql.Timestamp;
import java.time.Instant;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import wendo.app.prepare.sources.SourceListed;
import wendo.app.prepare.sources.Sources;
import wendo.core.links.Channel;
import wendo.core.links.Tag;
import wendo.core.measure.Period;

/** What arrivals carried in {@code utm_source} that no source has, and the pages they landed on. */
@Service
class ArrivalTags {
    /** So many of a period's latest are read one by one; more would keep the page waiting. */
    static final int READ = 100_000;

    static final int SHOWN = 100;

    private static final String TAG = "substring(page from '[?&]utm_source=([^&#]*)')";

    private static final String UNKNOWN = """
            select %s as tag, count(distinct visitor), max(arrived_at) from (
                select page, visitor, arrived_at from site_arrival
                where arrived_at >= :from and arrived_at < :to and kind = 'person'
                    and origin <> 'tagged' and page like '%%utm_source=%%'
                order by arrived_at desc limit %d) latest
            group by 1
            """.formatted(TAG, READ);

    /** Each person counts once for a page; put together first by both, which needs no sorting. */
    private static final String LANDED = """
            select page, count(*), sum(arrivals)::bigint, max(latest) from (
                select split_part(split_part(page, '?', 1), '#', 1) as page, visitor, count(*) as arrivals,
                    max(arrived_at) as latest
                from (
                    select page, visitor, arrived_at from site_arrival
                    where arrived_at >= :from and arrived_at < :to and kind = 'person'
                    order by arrived_at desc limit %d) latest
                group by 1, 2) person
            group by 1 order by 2 desc, 4 desc, 1 limit %d
            """.formatted(READ, SHOWN);

    private final JdbcClient jdbc;
    private final Sources sources;
    private final ArrivalSums sums;
    private final ApplicationEventPublisher events;

    ArrivalTags(JdbcClient jdbc, Sources sources, ArrivalSums sums, ApplicationEventPublisher events) {
        this.jdbc = jdbc;
        this.sources = sources;
        this.sums = sums;
        this.events = events;
    }

    /** A tag as sources compare them. */
    record Unknown(String tag, long people, Instant latest) {
        private Unknown plus(Unknown other) {
            return new Unknown(tag, people + other.people, latest.isAfter(other.latest) ? latest : other.latest);
        }
    }

    /** @param page without its query and fragment */
    record Landed(String page, long people, long arrivals, Instant latest) {}

    /** Most people first. Different spellings of one tag are one, and their people are added up. */
    @Transactional(readOnly = true)
    List<Unknown> unknown(Period period, ZoneId zone) {
        Map<String, Unknown> byTag = new HashMap<>();
        within(UNKNOWN, period, zone).query(row -> {
            Optional<String> tag = normal(Optional.ofNullable(row.getString(1)).orElse(""));
            if (tag.isPresent()) {
                byTag.merge(
                        tag.get(),
                        new Unknown(
                                tag.get(), row.getLong(2), row.getTimestamp(3).toInstant()),
                        Unknown::plus);
            }
        });
        return byTag.values().stream()
                .sorted(Comparator.comparing(Unknown::people).reversed().thenComparing(Unknown::tag))
                .limit(SHOWN)
                .toList();
    }

    @Transactional(readOnly = true)
    List<Landed> landed(Period period, ZoneId zone) {
        return within(LANDED, period, zone)
                .query((row, number) -> new Landed(
                        row.getString(1),
                        row.getLong(2),
                        row.getLong(3),
                        row.getTimestamp(4).toInstant()))
                .list();
    }

    private JdbcClient.StatementSpec within(String sql, Period period, ZoneId zone) {
        return jdbc.sql(sql)
                .param("from", Timestamp.from(period.startsAt(zone)))
                .param("to", Timestamp.from(period.endsBefore(zone)));
    }

    private static Optional<String> normal(String written) {
        String text;
        try {
            text = URLDecoder.decode(written, StandardCharsets.UTF_8);
        } catch (IllegalArgumentException e) {
            text = written;
        }
        return Tag.isPossible(text) ? Optional.of(Tag.of(text).value()) : Optional.empty();
    }

    /** Makes a source of a tag. All kept arrivals that carry it are of that source from now on, and so are their outcomes. */
    @Transactional
    SourceListed adopt(String tag, Channel channel) {
        SourceListed source = sources.findOrCreate(name(tag), channel);
        List<String> spellings = new ArrayList<>();
        jdbc.sql("select distinct %s from site_arrival where origin <> 'tagged' and page like '%%utm_source=%%'"
                        .formatted(TAG))
                .query(row -> {
                    String written = Optional.ofNullable(row.getString(1)).orElse("");
                    if (normal(written).equals(Optional.of(tag))) {
                        spellings.add(written);
                    }
                });
        List<UUID> visitors = jdbc.sql("""
                        update site_arrival set origin = 'tagged', source_id = ?
                        where origin <> 'tagged' and page like '%%utm_source=%%' and %s = any(?) returning visitor
                        """.formatted(TAG))
                .params(source.id(), spellings.toArray(String[]::new))
                .query(UUID.class)
                .list();
        sums.rebuild();
        events.publishEvent(new ArrivalsAdopted(visitors.stream().distinct().toList()));
        return source;
    }

    /** A name whose tag is this one again. */
    private static String name(String tag) {
        String words = tag.replace('-', ' ').strip();
        String name = words.isEmpty() ? tag : words.substring(0, 1).toUpperCase(Locale.ROOT) + words.substring(1);
        return Tag.isPossible(name) && Tag.of(name).value().equals(tag) ? name : tag;
    }
}
