package wendo.app.issue.linklist;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Instant;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import wendo.app.platform.site.FilterValues;
import wendo.app.platform.site.Texts;
import wendo.core.links.Channel;
import wendo.core.links.PastedLink;
import wendo.core.measure.Period;

/** The SQL of the list of links. */
@Component
class ListQueries {
    static final int PAGE = 50;

    /** Those that a filter lets through. A pasted link is found by its own slug: the needle's last part. */
    private static final String FOUND = """
            select l.id, l.name, l.slug, h.origin || '/' || l.slug as url, l.note, l.labels, l.created_at,
                l.archived_at is not null as is_archived, l.is_paid, s.name as source, s.channel, c.name as campaign,
                d.address as destination, d.failing_since is not null as is_failing
            from link l
            join link_host h on h.id = l.host_id
            join source s on s.id = l.source_id
            join campaign c on c.id = l.campaign_id
            join destination d on d.id = l.destination_id
            where (:state = 'ALL' or (l.archived_at is null) = (:state = 'ACTIVE'))
                and (:needle = '' or l.words like '%' || :needle || '%' or lower(s.name) like '%' || :needle || '%'
                    or lower(c.name) like '%' || :needle || '%' or lower(d.address) like '%' || :needle || '%'
                    or l.slug = :slug)
                and (cast(:source as uuid) is null or l.source_id = cast(:source as uuid))
                and (cast(:campaign as uuid) is null or l.campaign_id = cast(:campaign as uuid))
                and (cast(:destination as uuid) is null or l.destination_id = cast(:destination as uuid))
                and (cast(:owner as uuid) is null or l.owner_id = cast(:owner as uuid))
                and (:channel = '' or s.channel = :channel)
                and (:label = '' or exists (select from unnest(l.labels) one where one = :label or starts_with(one, :label || '/')))
                and (not :failing or d.failing_since is not null)
            """;

    /** Visits and people by link, from the daily sums, as far as each link's figures are counted. */
    private static final String COUNTED = """
            select v.link_id, coalesce(p.people, 0) as people, v.visits, v.not_counted
            from (
                select link_id, coalesce(sum(visits) filter (where kind = 'person'), 0) as visits,
                    coalesce(sum(visits) filter (where kind <> 'person'), 0) as not_counted
                from visits_of_days(:first, :end) where counted %1$s group by link_id) v
            left join (
                select scope_id as link_id, sum(people) as people from visit_person_sum
                where scope = 'link' and counted and day >= :first and day < :end and day_before < :first %2$s
                group by scope_id) p on p.link_id = v.link_id
            """;

    private final JdbcClient jdbc;

    ListQueries(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /** A link of the list, with the people and other visits of the period; {@code group} is empty if there are none. */
    record Row(
            UUID id,
            String name,
            String url,
            String note,
            List<String> labels,
            boolean isArchived,
            boolean isPaid,
            String source,
            Channel channel,
            String campaign,
            String destination,
            boolean isFailing,
            Instant issuedAt,
            long people,
            long visits,
            long notCounted,
            String group) {}

    /** @param found all that the filter lets through, of which {@code rows} are one page */
    record Listed(List<Row> rows, long found, int page) {
        public int pages() {
            return (int) ((found + PAGE - 1) / PAGE);
        }
    }

    @Transactional(readOnly = true)
    Listed list(LinkFilter filter, int page, Period period) {
        return list(filter, page, PAGE, period);
    }

    /** Up to so many of them, for a file. */
    @Transactional(readOnly = true)
    List<Row> first(LinkFilter filter, int most, Period period) {
        return list(filter, 1, most, period).rows();
    }

    private Listed list(LinkFilter filter, int page, int size, Period period) {
        long[] found = {0};
        List<Row> rows = with(jdbc.sql(sql(filter)), filter)
                .param("first", period.startInclusive())
                .param("end", period.endExclusive())
                .param("size", size)
                .param("offset", (page - 1) * size)
                .query((row, number) -> {
                    found[0] = row.getLong("found");
                    return row(row, filter.group());
                })
                .list();
        return new Listed(rows, found[0], page);
    }

    /** Where the order does not depend on visits, only the page's own links are counted. */
    private static String sql(LinkFilter filter) {
        boolean byVisits = LinkColumns.isCounted(filter.look().sorted());
        String order = group(filter.group()) + filter.look().orderBy() + ", f.created_at desc, f.id";
        return byVisits
                ? """
                with found as materialized (%s), counted as materialized (%s)
                select f.*, coalesce(people, 0) as people, coalesce(visits, 0) as visits,
                    coalesce(not_counted, 0) as not_counted, count(*) over () as found
                from found f left join counted on counted.link_id = f.id
                order by %s limit :size offset :offset
                """.formatted(FOUND, COUNTED.formatted("", ""), order)
                : """
                with shown as materialized (
                    select f.*, count(*) over () as found, row_number() over (order by %s) as place
                    from (%s) f order by %s limit :size offset :offset),
                counted as materialized (%s)
                select f.*, coalesce(people, 0) as people, coalesce(visits, 0) as visits,
                    coalesce(not_counted, 0) as not_counted
                from shown f left join counted on counted.link_id = f.id order by place
                """.formatted(
                        order,
                        FOUND,
                        order,
                        COUNTED.formatted(
                                "and link_id in (select id from shown)", "and scope_id in (select id from shown)"));
    }

    private static String group(LinkFilter.Group group) {
        return switch (group) {
            case NONE -> "";
            case CHANNEL -> "f.channel, ";
            case CAMPAIGN -> "f.campaign, ";
            case SOURCE -> "f.source, ";
        };
    }

    private static JdbcClient.StatementSpec with(JdbcClient.StatementSpec statement, LinkFilter filter) {
        String text = filter.find().strip().toLowerCase(Locale.ROOT);
        return statement
                .param("state", filter.state().name())
                .param("needle", FilterValues.needle(text))
                .param("slug", new PastedLink(text).slug())
                .param("source", id(filter.source()))
                .param("campaign", id(filter.campaign()))
                .param("destination", id(filter.destination()))
                .param("owner", id(filter.owner()))
                .param("channel", filter.channel().map(Channel::name).orElse(""))
                .param("label", filter.label())
                .param("failing", filter.isFailing());
    }

    private static @org.jspecify.annotations.Nullable String id(Optional<UUID> id) {
        return id.map(UUID::toString).orElse(null);
    }

    /** All links that a filter lets through, up to one more than a change may have. */
    @Transactional(readOnly = true)
    List<UUID> ids(LinkFilter filter, int most) {
        return with(jdbc.sql("select f.id from (" + FOUND + ") f order by f.created_at, f.id limit :most"), filter)
                .param("most", most + 1)
                .query(UUID.class)
                .list();
    }

    /**
     * A label of links in use, with those that lie in it.
     *
     * @param depth 0 of one that lies in no other
     * @param links that have it, or a label that lies in it
     */
    record Labelled(String label, String name, int depth, long links) {}

    /** Each below the one that it lies in. */
    @Transactional(readOnly = true)
    List<Labelled> labels() {
        return jdbc.sql("""
                        with worn as (
                            select distinct l.id, (string_to_array(label, '/'))[1:depth] as path
                            from link l, unnest(l.labels) label, generate_series(1, cardinality(string_to_array(label, '/'))) depth
                            where l.archived_at is null)
                        select array_to_string(path, '/'), path[cardinality(path)], cardinality(path) - 1, count(*)
                        from worn group by path order by string_to_array(lower(array_to_string(path, '/')), '/') limit 300
                        """)
                .query((row, number) -> new Labelled(row.getString(1), row.getString(2), row.getInt(3), row.getLong(4)))
                .list();
    }

    /** What the links that are wanted have in common, in words; empty text if nothing. */
    @Transactional(readOnly = true)
    String words(LinkFilter filter) {
        List<String> words = jdbc.sql("""
                        select 'source', name from source where id = cast(? as uuid)
                        union all select 'campaign', name from campaign where id = cast(? as uuid)
                        union all select 'destination', coalesce(nullif(name, ''), address) from destination
                            where id = cast(? as uuid)
                        union all select 'owner', name from person p join membership m on m.person_id = p.id
                            where p.id = cast(? as uuid)
                        """)
                .param(id(filter.source()))
                .param(id(filter.campaign()))
                .param(id(filter.destination()))
                .param(id(filter.owner()))
                .query((row, number) -> said(row.getString(1), row.getString(2)))
                .list();
        Stream<String> others = Stream.of(
                        filter.channel()
                                .map(channel -> said("channel", Texts.of("common.channel-name", channel.key())))
                                .orElse(""),
                        filter.label().isEmpty() ? "" : said("label", filter.label()),
                        filter.state() == LinkFilter.State.ARCHIVED ? Texts.of("issue.linklist.in-the-archive") : "",
                        filter.state() == LinkFilter.State.ALL ? Texts.of("issue.linklist.with-archived-ones") : "",
                        filter.isFailing() ? Texts.of("issue.linklist.whose-page-fails") : "")
                .filter(part -> !part.isEmpty());
        return Stream.concat(words.stream(), others).collect(Collectors.joining(", "));
    }

    private static String said(String what, String name) {
        return Texts.of("issue.linklist.words", what, name);
    }

    private static Row row(ResultSet row, LinkFilter.Group group) throws SQLException {
        Channel channel = Channel.valueOf(row.getString("channel"));
        return new Row(
                row.getObject("id", UUID.class),
                row.getString("name"),
                row.getString("url"),
                row.getString("note"),
                List.of((String[]) row.getArray("labels").getArray()),
                row.getBoolean("is_archived"),
                row.getBoolean("is_paid"),
                row.getString("source"),
                channel,
                row.getString("campaign"),
                row.getString("destination"),
                row.getBoolean("is_failing"),
                row.getTimestamp("created_at").toInstant(),
                row.getLong("people"),
                row.getLong("visits"),
                row.getLong("not_counted"),
                switch (group) {
                    case NONE -> "";
                    case CHANNEL -> Texts.of("common.channel-name", channel.key());
                    case CAMPAIGN -> row.getString("campaign");
                    case SOURCE -> row.getString("source");
                });
    }
}
