package wendo.app.compare.table;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.YearMonth;
import java.time.ZoneId;
import java.util.List;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import wendo.app.compare.sql.ClockColumn;
import wendo.app.compare.sql.CompareChoice;
import wendo.app.compare.sql.CompareQueries;
import wendo.app.compare.sql.Credited;
import wendo.app.compare.sql.GroupSql;
import wendo.app.compare.sql.Grouping;
import wendo.app.credit.CreditColumns;
import wendo.core.measure.Period;
import wendo.core.outcomes.OutcomeKind;

/** The SQL of campaigns by month. */
@Component
public class CampaignMonthQueries {
    private static final String CELLS = """
            with shared as (
                select %1$s as key, to_char(%2$s at time zone :zone, 'YYYY-MM') as month, o.id, sum(c.%3$s) as share,
                    sum(c.%4$s) as minor
                from credit c join outcome o on o.id = c.outcome_id %5$s
                where %2$s >= :from and %2$s < :to and o.kind = :kind and not o.is_proof
                group by 1, 2, 3
                union all
                select %6$s, to_char(o.occurred_at at time zone :zone, 'YYYY-MM'), o.id,
                    case when o.counts then 1000000 else 0 end, o.kept_minor
                from outcome o
                where o.occurred_at >= :from and o.occurred_at < :to and o.kind = :kind and not o.is_proof
                    and not exists (select from credit c where c.outcome_id = o.id))
            select s.key, g.name, s.month, sum(s.share), sum((s.share / 1e6) ^ 2), sum(s.minor)
            from shared s left join campaign g on g.id::text = s.key
            group by 1, 2, 3 having sum(s.share) <> 0 order by g.name nulls last, s.key, s.month
            """;

    private final JdbcClient jdbc;

    public CampaignMonthQueries(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    @Transactional(readOnly = true)
    public List<CampaignMonths.Cell> cells(Period period, ZoneId zone, CompareChoice choice) {
        return cells(period, zone, choice, choice.kind());
    }

    @Transactional(readOnly = true)
    public List<CampaignMonths.Cell> cells(Period period, ZoneId zone, CompareChoice choice, OutcomeKind kind) {
        String clock = ClockColumn.of(choice.clock());
        GroupSql group = GroupSql.of(Grouping.CAMPAIGN, clock);
        String sql = CELLS.formatted(
                group.creditKey(),
                clock,
                CreditColumns.share(choice.model()),
                CreditColumns.minor(choice.model()),
                group.creditJoin(),
                group.unjoinedKey());
        return CompareQueries.within(jdbc.sql(sql), period, zone)
                .param("kind", kind.key())
                .query((row, number) -> cell(row))
                .list();
    }

    private static CampaignMonths.Cell cell(ResultSet row) throws SQLException {
        String key = row.getString(1);
        return new CampaignMonths.Cell(
                key,
                Optional.ofNullable(row.getString(2))
                        .or(() -> Comparisons.nameless(key, Grouping.CAMPAIGN))
                        .orElse(key),
                YearMonth.parse(row.getString(3)),
                new Credited(row.getLong(4), row.getDouble(5), row.getLong(6)));
    }
}
