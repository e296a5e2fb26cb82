package wendo.app.money.partners;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.LocalDate;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import wendo.core.measure.Period;
import wendo.core.outcomes.OutcomeKind;
import wendo.core.partners.CommissionTiers;
import wendo.core.partners.PartnerBalance;

/** The lines of what partners earned. */
@Component
public class CommissionQueries {
    private static final int MOST_LINES = 5_000;

    private static final String LINE = """
            select l.id, l.outcome_id, l.outcome_kind, l.reference, l.way, l.kind, l.day, l.due_from, l.minor, l.reason, l.shares,
                s.number, coalesce(w.evidence, '') as evidence
            from commission_line l left join partner_statement s on s.id = l.statement_id
            left join partner_outcome w on w.outcome_id = l.outcome_id and w.partner_id = l.partner_id
            """;

    private final JdbcClient jdbc;

    CommissionQueries(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /**
     * A line.
     *
     * @param statement the number of the statement that it stands on
     */
    public record Row(
            UUID id,
            UUID outcome,
            String kind,
            String reference,
            String way,
            boolean isAdjustment,
            LocalDate day,
            LocalDate dueFrom,
            long minor,
            String reason,
            List<CommissionTiers.Share> shares,
            Optional<Integer> statement,
            String evidence) {
        private static Row of(ResultSet row) throws SQLException {
            int number = row.getInt("number");
            return new Row(
                    row.getObject("id", UUID.class),
                    row.getObject("outcome_id", UUID.class),
                    row.getString("outcome_kind"),
                    row.getString("reference"),
                    row.getString("way"),
                    row.getString("kind").equals("adjusted"),
                    row.getObject("day", LocalDate.class),
                    row.getObject("due_from", LocalDate.class),
                    row.getLong("minor"),
                    row.getString("reason"),
                    RatesText.readShares(row.getString("shares")),
                    number == 0 ? Optional.empty() : Optional.of(number),
                    row.getString("evidence"));
        }
    }

    /** An outcome that points to a partner and earns it nothing, for it is another one's, or there are no terms for it. */
    public record NotTheirs(
            UUID outcome, OutcomeKind kind, String reference, LocalDate day, String evidence, String why) {}

    @Transactional(readOnly = true)
    public List<Row> lines(UUID partner, Period period) {
        return jdbc.sql(LINE + """
                        where l.partner_id = :partner and l.day >= :start and l.day < :end
                        order by l.day desc, l.outcome_id, l.kind limit :most
                        """)
                .param("partner", partner)
                .param("start", period.startInclusive())
                .param("end", period.endExclusive())
                .param("most", MOST_LINES)
                .query((row, number) -> Row.of(row))
                .list();
    }

    @Transactional(readOnly = true)
    public List<Row> ofStatement(UUID statement) {
        return jdbc.sql(LINE + "where l.statement_id = ? order by l.kind desc, l.day, l.outcome_id")
                .param(statement)
                .query((row, number) -> Row.of(row))
                .list();
    }

    /** Why not: {@code other} where another partner has the stronger evidence, {@code refused}, or {@code terms}. */
    @Transactional(readOnly = true)
    public List<NotTheirs> notTheirs(UUID partner, Period period, String zone) {
        return jdbc.sql("""
                        select o.id, o.kind, o.reference, (o.occurred_at at time zone :zone)::date as day, w.evidence,
                            case when exists (select from commission_review r where r.outcome_id = o.id
                                    and r.partner_id = w.partner_id and r.state = 'refused') then 'refused'
                                when w.way = '' then 'terms' else 'other' end as why
                        from partner_outcome w join outcome o on o.id = w.outcome_id
                        where w.partner_id = :partner and not w.earns
                            and o.occurred_at >= cast(:start as timestamp) at time zone :zone
                            and o.occurred_at < cast(:end as timestamp) at time zone :zone
                        order by o.occurred_at desc, o.id limit 200
                        """)
                .param("partner", partner)
                .param("zone", zone)
                .param("start", period.startInclusive().atStartOfDay())
                .param("end", period.endExclusive().atStartOfDay())
                .query((row, number) -> new NotTheirs(
                        row.getObject(1, UUID.class),
                        OutcomeKind.find(row.getString(2)).orElseThrow(),
                        row.getString(3),
                        row.getObject(4, LocalDate.class),
                        row.getString(5),
                        row.getString(6)))
                .list();
    }

    /** What is held, due and paid, with the state of each line. */
    @Transactional(readOnly = true)
    public PartnerBalance balance(UUID partner, LocalDate today) {
        List<PartnerBalance.Line> lines = jdbc.sql(
                        "select id, outcome_id, day, due_from, minor from commission_line where partner_id = ?")
                .param(partner)
                .query((row, number) -> new PartnerBalance.Line(
                        row.getObject(1, UUID.class),
                        row.getObject(2, UUID.class),
                        row.getObject(3, LocalDate.class),
                        row.getObject(4, LocalDate.class),
                        row.getLong(5)))
                .list();
        return PartnerBalance.of(lines, paid(partner), today);
    }

    private long paid(UUID partner) {
        return jdbc.sql("""
                        select coalesce(sum(amount_minor), 0) from partner_payment where partner_id = ? and state = 'paid'
                        """).param(partner).query(Long.class).single();
    }

    /** What each partner earned on the days of a period, in minor units; who earned nothing is absent. */
    @Transactional(readOnly = true)
    Map<UUID, Long> earned(Period period) {
        Map<UUID, Long> earned = new HashMap<>();
        jdbc.sql("""
                        select partner_id, sum(minor) from commission_line where day >= ? and day < ? group by 1
                        having sum(minor) <> 0
                        """).params(period.startInclusive(), period.endExclusive()).query(row -> {
            earned.put(row.getObject(1, UUID.class), row.getLong(2));
        });
        return earned;
    }

    /** The first day of the period that each partner earned something on. */
    @Transactional(readOnly = true)
    Map<UUID, LocalDate> firstDays(Period period) {
        Map<UUID, LocalDate> first = new HashMap<>();
        jdbc.sql(
                        "select partner_id, min(day) from commission_line where day >= ? and day < ? and minor <> 0 group by 1")
                .params(period.startInclusive(), period.endExclusive())
                .query(row -> {
                    first.put(row.getObject(1, UUID.class), row.getObject(2, LocalDate.class));
                });
        return first;
    }
}
