package wendo.app.money.statements;

import java.sql.Timestamp;
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
    private static final String DUE = """
            with due as (
                select partner_id, date_trunc('month', day)::date as month from commission_line
                where statement_id is null and minor <> 0
                union
                select partner_id, date_trunc('month', greatest(paid_on, (select max(month) + interval '1 month'
                    from partner_statement s where s.partner_id = p.partner_id)))::date
                from partner_payment p where state = 'paid' and statement_id is null)
            """;

    private final CommissionLines lines;
    private final JdbcClient jdbc;
    private final Clock clock;

    Statements(CommissionLines lines, JdbcClient jdbc, Clock clock) {
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
        jdbc.sql("select id from business for no key update")
                .query(UUID.class)
                .list(); // one at a time, so numbers have no gaps
        jdbc.sql("select id from partner order by id for no key update")
                .query(UUID.class)
                .list(); // nothing is worked out meanwhile
        int before = lastNumber();
        for (LocalDate first : due(month)) {
            make(first, by);
        }
        return lastNumber() - before;
    }

    private int lastNumber() {
        return jdbc.sql("select coalesce(max(number), 0) from partner_statement")
                .query(Integer.class)
                .single();
    }

    /** Months that have something without a statement, oldest first, by their first days. */
    private List<LocalDate> due(YearMonth until) {
        return jdbc.sql(DUE + "select distinct month from due where month <= :until order by month")
                .param("until", until.atDay(1))
                .query((row, number) -> row.getObject(1, LocalDate.class))
                .list();
    }

    /** All statements of a month at once: what is due, what it adds up to, and then what stands on each. */
    private void make(LocalDate month, String by) {
        LocalDate end = month.plusMonths(1);
        int before = lastNumber();
        jdbc.sql(DUE + """
                        insert into partner_statement (id, business_id, partner_id, month, number, opening_minor, earned_minor,
                            adjusted_minor, paid_minor, closing_minor, made_at, made_by)
                        select gen_random_uuid(), p.business_id, p.id, :month, :before + row_number() over (order by n.name, p.id),
                            coalesce(o.minor, 0), coalesce(l.earned, 0), coalesce(l.adjusted, 0), coalesce(m.minor, 0),
                            coalesce(o.minor, 0) + coalesce(l.earned, 0) + coalesce(l.adjusted, 0) - coalesce(m.minor, 0),
                            :now, :by
                        from partner p join source n on n.id = p.id
                        left join (select distinct on (partner_id) partner_id, closing_minor as minor from partner_statement
                            order by partner_id, month desc) o on o.partner_id = p.id
                        left join (select partner_id, sum(minor) filter (where kind = 'earned') as earned,
                                sum(minor) filter (where kind = 'adjusted') as adjusted
                            from commission_line where statement_id is null and day < :end group by 1) l on l.partner_id = p.id
                        left join (select partner_id, sum(amount_minor) as minor from partner_payment
                            where state = 'paid' and statement_id is null and paid_on < :end group by 1) m on m.partner_id = p.id
                        where p.id in (select partner_id from due where month = :month)
                        """)
                .param("month", month)
                .param("end", end)
                .param("before", before)
                .param("now", Timestamp.from(clock.instant()))
                .param("by", by)
                .update();
        lines.putOn(month, end, before);
        jdbc.sql("""
                        update partner_payment p set statement_id = s.id, version = p.version + 1 from partner_statement s
                        where s.partner_id = p.partner_id and s.number > :before and p.state = 'paid' and p.statement_id is null
                            and p.paid_on < :end
                        """).param("before", before).param("end", end).update();
    }
}
