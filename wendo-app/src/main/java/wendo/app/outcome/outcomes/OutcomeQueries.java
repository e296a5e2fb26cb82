package wendo.app.outcome.outcomes;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Timestamp;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.Arrays;
import java.util.Comparator;
import java.util.Iterator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.function.Consumer;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import wendo.app.platform.business.Businesses;
import wendo.app.platform.site.Figures;
import wendo.app.platform.site.FilterValues;
import wendo.app.platform.site.RibbonLayer;
import wendo.core.links.Channel;
import wendo.core.measure.Period;
import wendo.core.outcomes.Evidence;
import wendo.core.outcomes.OutcomeKind;
import wendo.core.outcomes.OutcomeReport;
import wendo.core.outcomes.OutcomeStatus;
import wendo.core.outcomes.ReportedDetails;
import wendo.core.outcomes.Standing;
import wendo.core.visits.ClickId;

/** The SQL of the ledger, and of the ribbon's bars. */
@Component
class OutcomeQueries implements RibbonLayer {
    static final int PAGE = 100;
    private static final int FETCHED = 500;

    private static final String ROWS = """
            select o.id, o.kind, o.reference, o.status, o.value_minor, o.refunded_minor, o.occurred_at, o.day_began_at is not null as day_alone, o.click_id, o.reported_by,
                s.name as source, s.channel, v.arrived_at as visited_at, v.kind as visit_kind, l.name as link_name,
                vs.name as visited_source, o.name, o.email, o.phone, o.items, o.note, o.set_source_id,
                array(select concat_ws(E'\\t', u.evidence, u.decides, coalesce(us.name, ''), u.said)
                    from outcome_clue u left join source us on us.id = u.source_id where u.outcome_id = o.id) as clues
            from outcome o
            left join outcome_source c on c.outcome_id = o.id
            left join source s on s.id = c.source_id
            left join visit v on v.click_id = o.click_id and v.arrived_at = click_time(o.click_id)
            left join link l on l.id = v.link_id
            left join source vs on vs.id = v.source_id
            """;

    private final JdbcClient jdbc;
    private final Businesses businesses;

    OutcomeQueries(JdbcClient jdbc, Businesses businesses) {
        this.jdbc = jdbc;
        this.businesses = businesses;
    }

    /** The visit whose click identifier came back. */
    record Visited(Instant at, String kind, String linkName, String source) {}

    /**
     * What came with it and may join it to a source.
     *
     * @param source the name of the one it points to; empty text for none
     */
    record Came(Evidence evidence, boolean decides, String source, String said) {
        private static Came of(String line) {
            String[] parts = line.split("\t", 4);
            return new Came(Evidence.of(parts[0]), parts[1].equals("t"), parts[2], parts[3]);
        }

        private Came withoutContacts() {
            return evidence == Evidence.CONTACT ? new Came(evidence, decides, source, "A contact") : this;
        }
    }

    record Row(
            UUID id,
            OutcomeKind kind,
            String reference,
            Standing standing,
            Instant occurredAt,
            boolean isDayAlone,
            Optional<ClickId> click,
            String reportedBy,
            Optional<String> source,
            Optional<Channel> channel,
            Optional<Visited> visited,
            ReportedDetails told,
            Optional<UUID> setSource,
            List<Came> came) {
        /** As somebody sees it who may not see who the customer is. */
        Row withoutContacts() {
            return new Row(
                    id,
                    kind,
                    reference,
                    standing,
                    occurredAt,
                    isDayAlone,
                    click,
                    reportedBy,
                    source,
                    channel,
                    visited,
                    new ReportedDetails("", "", "", told.code(), "", told.items(), ""),
                    setSource,
                    came.stream().map(Came::withoutContacts).toList());
        }
    }

    /**
     * What the ledger holds in a period, of one kind or of all.
     *
     * @param count those that count
     * @param takenBack those that were cancelled, or refunded as a whole
     */
    record Sum(long count, long valueMinor, long unknown, long takenBack) {
        public long all() {
            return count + takenBack;
        }
    }

    /**
     * What of the ledger is looked at.
     *
     * @param seesContacts whether contact details may be searched
     */
    record Chosen(Period period, ZoneId zone, LedgerFilter filter, boolean seesContacts) {}

    /** What later news changed. */
    record Change(Instant at, String by, KnownOutcome.Change what) {
        Shown in(Figures figures) {
            return new Shown(at, by, ChangeWords.of(what, figures));
        }

        /** As a page shows it. */
        record Shown(Instant at, String by, ChangeWords words) {}
    }

    @Transactional(readOnly = true)
    Optional<Row> find(UUID id) {
        return jdbc.sql(ROWS + "where o.id = ?")
                .param(id)
                .query(OutcomeQueries::row)
                .optional();
    }

    /** Those of these outcomes that are leads of this person. */
    @Transactional(readOnly = true)
    Set<UUID> leadsOf(UUID person, List<UUID> outcomes) {
        return outcomes.isEmpty()
                ? Set.of()
                : Set.copyOf(
                        jdbc.sql("select outcome_id from lead where owner_id = :person and outcome_id in (:outcomes)")
                                .param("person", person)
                                .param("outcomes", outcomes)
                                .query(UUID.class)
                                .list());
    }

    @Transactional(readOnly = true)
    Optional<Row> find(OutcomeKind kind, String reference) {
        return jdbc.sql(ROWS + "where o.kind = ? and o.reference_key = ?")
                .params(kind.key(), OutcomeReport.key(reference))
                .query(OutcomeQueries::row)
                .optional();
    }

    /** Newest first. */
    @Transactional(readOnly = true)
    List<Change> changes(UUID outcome) {
        return jdbc.sql("""
                        select changed_at, changed_by, field, before, after from outcome_change
                        where outcome_id = ? order by changed_at desc, field desc
                        """)
                .param(outcome)
                .query((row, number) -> new Change(
                        row.getTimestamp(1).toInstant(),
                        row.getString(2),
                        new KnownOutcome.Change(row.getString(3), row.getString(4), row.getString(5))))
                .list();
    }

    @Transactional(readOnly = true)
    List<Row> newest(int limit, long offset) {
        return jdbc.sql(ROWS + "where not o.is_proof order by o.occurred_at desc, o.id limit :limit offset :offset")
                .param("limit", limit)
                .param("offset", offset)
                .query(OutcomeQueries::row)
                .list();
    }

    private static final String CHOSEN = """
            where o.occurred_at >= :from and o.occurred_at < :to and not o.is_proof
                and (:kind = '' or o.kind = :kind) and (:status = '' or o.status = :status)
                and (cast(:source as uuid) is null or c.source_id = cast(:source as uuid))
                and (not :unknown or (o.counts and c.outcome_id is null))
                and (:needle = '%%' or lower(o.reference) like :needle or lower(o.items) like :needle
                    or (:contacts and (lower(o.name) like :needle or lower(o.email) like :needle
                        or o.phone like :needle or lower(o.note) like :needle)))
            """;

    private JdbcClient.StatementSpec chosen(String sql, Chosen chosen) {
        LedgerFilter filter = chosen.filter();
        return jdbc.sql(sql)
                .param("from", Timestamp.from(chosen.period().startsAt(chosen.zone())))
                .param("to", Timestamp.from(chosen.period().endsBefore(chosen.zone())))
                .param("kind", filter.kind().map(OutcomeKind::key).orElse(""))
                .param("status", filter.status().map(OutcomeStatus::key).orElse(""))
                .param("source", filter.source().map(UUID::toString).orElse(null))
                .param("unknown", filter.isUnknown())
                .param("needle", "%" + FilterValues.needle(filter.find()) + "%")
                .param("contacts", chosen.seesContacts());
    }

    @Transactional(readOnly = true)
    List<Row> page(Chosen chosen, int page) {
        return chosen(ROWS + CHOSEN + "order by o.occurred_at desc, o.id limit :limit offset :offset", chosen)
                .param("limit", PAGE)
                .param("offset", (long) page * PAGE)
                .query(OutcomeQueries::row)
                .list();
    }

    /** All of them, newest first, read as they are taken: an export holds more than a page ever does. */
    @Transactional(readOnly = true)
    void each(Chosen chosen, Consumer<Iterator<Row>> taker) {
        try (Stream<Row> rows = chosen(ROWS + CHOSEN + "order by o.occurred_at desc, o.id", chosen)
                .withFetchSize(FETCHED)
                .query(OutcomeQueries::row)
                .stream()) {
            taker.accept(rows.iterator());
        }
    }

    @Transactional(readOnly = true)
    Sum sum(Chosen chosen) {
        return chosen("""
                        select count(*) filter (where o.counts), coalesce(sum(o.kept_minor), 0),
                            count(*) filter (where o.counts and c.outcome_id is null), count(*) filter (where not o.counts)
                        from outcome o left join outcome_source c on c.outcome_id = o.id
                        """ + CHOSEN, chosen)
                .query((row, number) -> new Sum(row.getLong(1), row.getLong(2), row.getLong(3), row.getLong(4)))
                .single();
    }

    @Override
    public Map<LocalDate, Long> outcomesByDay(Period period) {
        ZoneId zone = businesses.current().zone();
        return jdbc
                .sql("""
                        select (occurred_at at time zone :zone)::date, count(*) from outcome
                        where occurred_at >= :from and occurred_at < :to and not is_proof and counts group by 1
                        """)
                .param("zone", zone.getId())
                .param("from", Timestamp.from(period.startsAt(zone)))
                .param("to", Timestamp.from(period.endsBefore(zone)))
                .query((row, number) -> Map.entry(row.getObject(1, LocalDate.class), row.getLong(2)))
                .list()
                .stream()
                .collect(Collectors.toMap(Map.Entry::getKey, Map.Entry::getValue));
    }

    private static Row row(ResultSet row, int number) throws SQLException {
        UUID click = row.getObject("click_id", UUID.class);
        Timestamp visitedAt = row.getTimestamp("visited_at");
        return new Row(
                row.getObject("id", UUID.class),
                OutcomeKind.find(row.getString("kind")).orElseThrow(),
                row.getString("reference"),
                new Standing(
                        OutcomeStatus.find(row.getString("status")).orElseThrow(),
                        row.getLong("value_minor"),
                        row.getLong("refunded_minor")),
                row.getTimestamp("occurred_at").toInstant(),
                row.getBoolean("day_alone"),
                Optional.ofNullable(click).map(ClickId::new),
                row.getString("reported_by"),
                Optional.ofNullable(row.getString("source")),
                Optional.ofNullable(row.getString("channel")).map(Channel::valueOf),
                visitedAt == null
                        ? Optional.empty()
                        : Optional.of(new Visited(
                                visitedAt.toInstant(),
                                row.getString("visit_kind"),
                                row.getString("link_name"),
                                row.getString("visited_source"))),
                new ReportedDetails(
                        row.getString("name"),
                        row.getString("email"),
                        row.getString("phone"),
                        "",
                        "",
                        row.getString("items"),
                        row.getString("note")),
                Optional.ofNullable(row.getObject("set_source_id", UUID.class)),
                Arrays.stream((String[]) row.getArray("clues").getArray())
                        .map(Came::of)
                        .sorted(Comparator.comparing(Came::evidence))
                        .toList());
    }
}
