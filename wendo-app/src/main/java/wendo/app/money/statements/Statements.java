package wendo.app.money.statements;

import java.time.Clock;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.List;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import wendo.app.money.partners.CommissionLines;

/** Makes statements. Each partner's months follow one another, and the numbers of a business have no gaps. */
@Service
class Statements {
    private final StatementRepository repository;
    private final CommissionLines lines;
    private final JdbcClient jdbc;
    private final Clock clock;

    Statements(StatementRepository repository, CommissionLines lines, JdbcClient jdbc, Clock clock) {
        this.repository = repository;
        this.lines = lines;
        this.jdbc = jdbc;
        this.clock = clock;
    }

    /**
     * A statement for each partner that has lines or payments in a month, or in an earlier one without a statement. Answers
     * how many that are.
     *
     * @param month which is over
     * @param today by the business's days
     */
    @Transactional
    int make(YearMonth month, LocalDate today, String by) {
        if (!month.isBefore(YearMonth.from(today))) {
            throw new IllegalArgumentException("A statement is of a month that is over, but was of " + month);
        }
        jdbc.sql("select id from business for update")
                .query(UUID.class)
                .list(); // one at a time, so numbers have no gaps
        jdbc.sql("select id from partner order by id for update")
                .query(UUID.class)
                .list(); // nothing is worked out meanwhile
        int next = jdbc.sql("select coalesce(max(number), 0) + 1 from partner_statement")
                .query(Integer.class)
                .single();
        int made = 0;
        for (Statement.Month one : due(month)) {
            make(one, next + made, new Statement.Made(clock.instant(), by));
            made++;
        }
        return made;
    }

    /** Months of partners that have something without a statement, oldest first. */
    private List<Statement.Month> due(YearMonth until) {
        return jdbc.sql("""
                        select distinct partner_id, date_trunc('month', day)::date as month from (
                            select partner_id, day from commission_line where statement_id is null and day < :end and minor <> 0
                            union all
                            select partner_id, greatest(paid_on, coalesce((select max(month) + interval '1 month'
                                from partner_statement s where s.partner_id = p.partner_id), paid_on)::date)
                            from partner_payment p where state = 'paid' and statement_id is null) d
                        where day < :end order by month, partner_id
                        """)
                .param("end", until.plusMonths(1).atDay(1))
                .query((row, number) ->
                        new Statement.Month(row.getObject(1, UUID.class), row.getObject(2, LocalDate.class)))
                .list();
    }

    private void make(Statement.Month of, int number, Statement.Made made) {
        LocalDate end = YearMonth.from(of.first()).plusMonths(1).atDay(1);
        Statement.Sums sums = jdbc.sql("""
                        select
                            coalesce((select closing_minor from partner_statement where partner_id = :partner order by month desc limit 1), 0),
                            coalesce(sum(minor) filter (where kind = 'earned'), 0),
                            coalesce(sum(minor) filter (where kind = 'adjusted'), 0),
                            coalesce((select sum(amount_minor) from partner_payment where partner_id = :partner
                                and state = 'paid' and statement_id is null and paid_on < :end), 0)
                        from commission_line where partner_id = :partner and statement_id is null and day < :end
                        """)
                .param("partner", of.partner())
                .param("end", end)
                .query((row, at) -> new Statement.Sums(row.getLong(1), row.getLong(2), row.getLong(3), row.getLong(4)))
                .single();
        Statement statement = repository.saveAndFlush(new Statement(of, number, sums, made));
        lines.putOn(statement.getId(), of.partner(), end);
        jdbc.sql("""
                        update partner_payment set statement_id = :statement, version = version + 1
                        where partner_id = :partner and state = 'paid' and statement_id is null and paid_on < :end
                        """)
                .param("statement", statement.getId())
                .param("partner", of.partner())
                .param("end", end)
                .update();
    }
}
