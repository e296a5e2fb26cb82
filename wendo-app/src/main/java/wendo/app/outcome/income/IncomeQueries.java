package wendo.app.outcome.income;

import java.sql.Timestamp;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import wendo.core.income.Earnings;
import wendo.core.income.IncomeState;
import wendo.core.measure.Period;

/** What networks pay: by link, page, source, network and product, and where reports and payments disagree. */
@Component
class IncomeQueries {
    static final int MOST = 200;

    /**
     * People's visits that went on to a network that pays, by links whose destination is the network's address. The page
     * is where the visitor came from, without its query.
     */
    private static final String OUT = """
            paying as (
                select n.id as network_id, l.id as link_id, l.source_id
                from partner_network n join link l on true join destination d on d.id = l.destination_id
                where n.pays and (%1$s = n.pattern or %1$s like n.pattern || '/%%' or %1$s like n.pattern || '?%%')),
            sent as (
                select p.network_id, p.link_id, p.source_id, split_part(v.referrer, '?', 1) as page, v.click_id,
                    v.arrived_at
                from paying p join visit v on v.link_id = p.link_id
                where v.kind = 'person' and v.arrived_at >= :from and v.arrived_at < :to),
            earned as (
                select i.*, o.click_id, o.occurred_at, o.reference, o.kind, v.link_id, v.source_id as visit_source,
                    o.partner_source_id, split_part(coalesce(v.referrer, ''), '?', 1) as page
                from income i join outcome o on o.id = i.id and not o.is_proof
                left join visit v on v.click_id = o.click_id and v.arrived_at = click_time(o.click_id)
                where o.occurred_at >= :from and o.occurred_at < :to)
            """.formatted("regexp_replace(lower(d.address), '^https?://(www\\.)?', '')");

    private final JdbcClient jdbc;

    IncomeQueries(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /** By what income is told apart. */
    enum By {
        NETWORK("s.network_id::text", "e.network_id::text"),
        LINK("s.link_id::text", "e.link_id::text"),
        PAGE("s.page", "e.page"),
        SOURCE("s.source_id::text", "coalesce(e.visit_source, e.partner_source_id)::text"),
        PRODUCT("''", "e.product");

        private final String sent;
        private final String earned;

        By(String sent, String earned) {
            this.sent = sent;
            this.earned = earned;
        }

        public String key() {
            return name().toLowerCase(Locale.ROOT);
        }

        static Optional<By> find(String key) {
            return Arrays.stream(values()).filter(one -> one.key().equals(key)).findFirst();
        }
    }

    /** A group with what it earned; without a key it is what belongs to none. */
    record Group(String key, String name, Earnings earnings, long declinedMinor, long paidMinor) {}

    /** Those that earned or were promised something, or sent visits out; most earned first. */
    @Transactional(readOnly = true)
    List<Group> by(By by, Period period, ZoneId zone) {
        Map<String, List<Long>> earned = new LinkedHashMap<>();
        List<Group> groups = new ArrayList<>();
        within("with " + OUT + """
                        select coalesce(%1$s, '') as key, e.state, e.commission_minor
                        from earned e where e.state in ('approved', 'paid')
                        """.formatted(by.earned), period, zone).query(row -> {
            earned.computeIfAbsent(row.getString(1), key -> new ArrayList<>()).add(row.getLong(3));
        });
        within("with " + OUT + """
                        , outs as (
                            select coalesce(%1$s, '') as key, count(*) as visits from sent s group by 1),
                        sums as (
                            select coalesce(%2$s, '') as key, sum(e.commission_minor) filter (where e.state = 'pending') as pending,
                                sum(e.commission_minor) filter (where e.state = 'declined') as declined,
                                sum(e.commission_minor) filter (where e.state = 'paid') as paid
                            from earned e group by 1)
                        select key, coalesce(n.name, l.name, s.name, key), coalesce(o.visits, 0), coalesce(m.pending, 0),
                            coalesce(m.declined, 0), coalesce(m.paid, 0)
                        from outs o full join sums m using (key)
                        left join partner_network n on n.id::text = key left join link l on l.id::text = key
                        left join source s on s.id::text = key
                        """.formatted(by.sent, by.earned), period, zone).query(row -> {
            String key = row.getString(1);
            groups.add(new Group(
                    key,
                    row.getString(2),
                    new Earnings(
                            by == By.PRODUCT ? 0 : row.getLong(3), earned.getOrDefault(key, List.of()), row.getLong(4)),
                    row.getLong(5),
                    row.getLong(6)));
        });
        return groups.stream()
                .filter(one -> by != By.PRODUCT
                        || !one.key().isEmpty()
                        || !one.earnings().earnedMinor().isEmpty())
                .sorted((a, b) -> {
                    int byIncome =
                            Long.compare(b.earnings().sumMinor(), a.earnings().sumMinor());
                    return byIncome != 0
                            ? byIncome
                            : Long.compare(
                                    b.earnings().visitsOut(), a.earnings().visitsOut());
                })
                .limit(MOST)
                .toList();
    }

    private JdbcClient.StatementSpec within(String sql, Period period, ZoneId zone) {
        return jdbc.sql(sql)
                .param("from", Timestamp.from(period.startsAt(zone)))
                .param("to", Timestamp.from(period.endsBefore(zone)));
    }

    /** What a network owes for one outcome, and what it said before where that was something else. */
    record Line(
            UUID outcome,
            String network,
            String kind,
            String reference,
            IncomeState state,
            long commissionMinor,
            LocalDate expectedOn,
            long beforeMinor) {}

    private static final String LINES = """
            select i.id, n.name, o.kind, o.reference, i.state, i.commission_minor, i.expected_on, %s
            from income i join outcome o on o.id = i.id and not o.is_proof join partner_network n on n.id = i.network_id
            """;

    /** Promised, and the day by which it should have been paid is over. */
    @Transactional(readOnly = true)
    List<Line> overdue(LocalDate today) {
        return lines(jdbc.sql(LINES.formatted("0") + """
                        where i.state in ('pending', 'approved') and i.expected_on < :today
                        order by i.expected_on, o.reference limit :most
                        """).param("today", today));
    }

    /** Paid with the first word of it: it was never reported before. */
    @Transactional(readOnly = true)
    List<Line> paidUnreported(Instant since) {
        return lines(jdbc.sql(LINES.formatted("0") + """
                        where i.state = 'paid' and i.paid_at = i.reported_at and i.paid_at >= :since
                        order by i.paid_at desc, o.reference limit :most
                        """).param("since", Timestamp.from(since)));
    }

    /** Whose amount became another; {@link Line#beforeMinor} is the amount before. */
    @Transactional(readOnly = true)
    List<Line> changed(Instant since) {
        return lines(jdbc.sql(LINES.formatted("cast(c.before as bigint)") + """
                        join (select distinct on (outcome_id) outcome_id, before, changed_at from income_change
                            where field = 'commission' and changed_at >= :since order by outcome_id, changed_at) c
                            on c.outcome_id = i.id
                        where cast(c.before as bigint) <> i.commission_minor
                        order by c.changed_at desc, o.reference limit :most
                        """).param("since", Timestamp.from(since)));
    }

    /** Whose sub-ID belongs to no visit and no link. */
    @Transactional(readOnly = true)
    List<Line> ofNobody(Instant since) {
        return lines(jdbc.sql(LINES.formatted("0") + """
                        where o.click_id is null and o.partner_source_id = n.source_id and i.reported_at >= :since
                            and i.state <> 'declined'
                        order by i.reported_at desc, o.reference limit :most
                        """).param("since", Timestamp.from(since)));
    }

    private static List<Line> lines(JdbcClient.StatementSpec statement) {
        return statement
                .param("most", MOST)
                .query((row, number) -> new Line(
                        row.getObject(1, UUID.class),
                        row.getString(2),
                        row.getString(3),
                        row.getString(4),
                        IncomeState.of(row.getString(5)),
                        row.getLong(6),
                        row.getObject(7, LocalDate.class),
                        row.getLong(8)))
                .list();
    }

    /** What a network said that it paid, and what arrived at the bank if somebody entered that. */
    record Paid(UUID network, String name, String statement, long outcomes, long toldMinor, Optional<Long> bankMinor) {
        public boolean isDifferent() {
            return bankMinor.filter(minor -> minor != toldMinor).isPresent();
        }

        public long differenceMinor() {
            return bankMinor.orElse(toldMinor) - toldMinor;
        }
    }

    @Transactional(readOnly = true)
    List<Paid> statements() {
        return jdbc.sql("""
                        select n.id, n.name, i.statement, count(*), sum(i.commission_minor), min(s.bank_minor)
                        from income i join partner_network n on n.id = i.network_id
                        left join income_statement s on s.network_id = i.network_id and s.statement = i.statement
                        where i.state = 'paid' group by 1, 2, 3 order by max(i.paid_at) desc, 3 desc limit :most
                        """)
                .param("most", MOST)
                .query((row, number) -> new Paid(
                        row.getObject(1, UUID.class),
                        row.getString(2),
                        row.getString(3),
                        row.getLong(4),
                        row.getLong(5),
                        Optional.ofNullable(row.getObject(6, Long.class))))
                .list();
    }

    /** The networks whose reports are income. */
    @Transactional(readOnly = true)
    boolean isAnybodyPaying() {
        return jdbc.sql("select exists (select from partner_network where pays)")
                .query(Boolean.class)
                .single();
    }
}
