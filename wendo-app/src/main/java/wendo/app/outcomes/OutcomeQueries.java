package wendo.app.outcomes;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Timestamp;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import wendo.app.business.Businesses;
import wendo.app.site.Figures;
import wendo.app.site.RibbonLayer;
import wendo.core.links.Channel;
import wendo.core.measure.Period;
import wendo.core.outcomes.Evidence;
import wendo.core.outcomes.OutcomeKind;
import wendo.core.outcomes.OutcomeReport;
import wendo.core.outcomes.OutcomeStatus;
import wendo.core.outcomes.Standing;
import wendo.core.outcomes.Told;
import wendo.core.visits.ClickId;

/** The SQL of the ledger, and of the ribbon's bars. */
@Component
class OutcomeQueries implements RibbonLayer {
    static final int PAGE = 100;

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
            Told told,
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
                    new Told("", "", "", told.code(), "", told.items(), ""),
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

    /** What of the ledger is looked at: one kind or all; only what is joined to no source. */
    record Chosen(Optional<OutcomeKind> kind, boolean isUnknown) {}

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

    @Transactional(readOnly = true)
    List<Row> page(Period period, ZoneId zone, Chosen chosen, int page) {
        return jdbc.sql(ROWS + """
                        where o.occurred_at >= :from and o.occurred_at < :to and not o.is_proof
                            and (:kind = '' or o.kind = :kind) and (not :unknown or (o.counts and c.outcome_id is null))
                        order by o.occurred_at desc, o.id limit :limit offset :offset
                        """)
                .param("from", Timestamp.from(period.startsAt(zone)))
                .param("to", Timestamp.from(period.endsBefore(zone)))
                .param("kind", chosen.kind().map(OutcomeKind::key).orElse(""))
                .param("unknown", chosen.isUnknown())
                .param("limit", PAGE)
                .param("offset", (long) page * PAGE)
                .query(OutcomeQueries::row)
                .list();
    }

    @Transactional(readOnly = true)
    Sum sum(Period period, ZoneId zone, Optional<OutcomeKind> kind) {
        return jdbc.sql("""
                        select count(*) filter (where o.counts), coalesce(sum(o.kept_minor), 0),
                            count(*) filter (where o.counts and not exists (
                                select from outcome_source c where c.outcome_id = o.id)),
                            count(*) filter (where not o.counts)
                        from outcome o
                        where o.occurred_at >= :from and o.occurred_at < :to and not o.is_proof and (:kind = '' or o.kind = :kind)
                        """)
                .param("from", Timestamp.from(period.startsAt(zone)))
                .param("to", Timestamp.from(period.endsBefore(zone)))
                .param("kind", kind.map(OutcomeKind::key).orElse(""))
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
                new Told(
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
