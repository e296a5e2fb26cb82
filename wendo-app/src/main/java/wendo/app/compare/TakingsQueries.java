package wendo.app.compare;

import java.time.ZoneId;
import java.util.List;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import wendo.app.credit.CreditColumns;
import wendo.core.measure.Period;
import wendo.core.measure.Takings;

/** The SQL of what each person brought a group. */
@Component
class TakingsQueries {
    private static final String PAYERS = """
            select sum(c.%1$s)
            from credit c join outcome o on o.id = c.outcome_id %2$s
            left join trail t on t.outcome_id = o.id left join identity i on i.id = t.identity_id
            where %3$s >= :from and %3$s < :to and o.kind <> 'lead' and not o.is_proof and %4$s = :key
            group by coalesce(i.person, o.id) having sum(c.%1$s) <> 0
            """;

    private final JdbcClient jdbc;

    TakingsQueries(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /** Of all people of a row. */
    @Transactional(readOnly = true)
    Takings of(ComparedRow row, Period period, ZoneId zone, CompareChoice choice) {
        String clock = ClockColumn.of(choice.clock());
        GroupSql group = GroupSql.of(choice.grouping(), clock);
        List<Long> payers = CompareQueries.within(
                        jdbc.sql(PAYERS.formatted(
                                CreditColumns.minor(choice.model()), group.creditJoin(), clock, group.creditKey())),
                        period,
                        zone)
                .param("key", row.key())
                .query(Long.class)
                .list();
        return new Takings(Math.max(row.rateBase(), payers.size()), payers);
    }
}
