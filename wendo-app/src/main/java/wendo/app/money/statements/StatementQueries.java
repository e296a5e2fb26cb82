package wendo.app.money.statements;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Statements, payments and what is payable. */
@Component
public class StatementQueries {
    private static final String STATEMENT = """
            select s.id, s.partner_id, n.name, s.month, s.number, s.opening_minor, s.earned_minor, s.adjusted_minor, s.paid_minor,
                s.closing_minor, s.made_at, s.made_by
            from partner_statement s join source n on n.id = s.partner_id
            """;

    private final JdbcClient jdbc;

    StatementQueries(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /** A statement as it went out, in minor units. */
    public record Row(
            UUID id,
            UUID partner,
            String name,
            LocalDate month,
            int number,
            long openingMinor,
            long earnedMinor,
            long adjustedMinor,
            long paidMinor,
            long closingMinor,
            Instant madeAt,
            String madeBy) {
        private static Row of(ResultSet row) throws SQLException {
            return new Row(
                    row.getObject("id", UUID.class),
                    row.getObject("partner_id", UUID.class),
                    row.getString("name"),
                    row.getObject("month", LocalDate.class),
                    row.getInt("number"),
                    row.getLong("opening_minor"),
                    row.getLong("earned_minor"),
                    row.getLong("adjusted_minor"),
                    row.getLong("paid_minor"),
                    row.getLong("closing_minor"),
                    row.getTimestamp("made_at").toInstant(),
                    row.getString("made_by"));
        }
    }

    @Transactional(readOnly = true)
    public List<Row> of(UUID partner) {
        return jdbc.sql(STATEMENT + "where s.partner_id = ? order by s.month desc")
                .param(partner)
                .query((row, number) -> Row.of(row))
                .list();
    }

    @Transactional(readOnly = true)
    public Optional<Row> find(int number) {
        return jdbc.sql(STATEMENT + "where s.number = ?")
                .param(number)
                .query((row, at) -> Row.of(row))
                .optional();
    }

    @Transactional(readOnly = true)
    List<Row> latest() {
        return jdbc.sql(STATEMENT + "order by s.number desc limit 50")
                .query((row, number) -> Row.of(row))
                .list();
    }

    /** A payment, with the order that it went out with. */
    public record Paid(
            UUID id,
            UUID partner,
            String state,
            LocalDate on,
            long minor,
            String note,
            Optional<Integer> payout,
            boolean isOnStatement) {}

    @Transactional(readOnly = true)
    public List<Paid> payments(UUID partner) {
        return jdbc.sql("""
                        select p.id, p.partner_id, p.state, p.paid_on, p.amount_minor, p.note, o.number, p.statement_id
                        from partner_payment p left join payout o on o.id = p.payout_id
                        where p.partner_id = ? and p.state <> 'cancelled' order by p.paid_on desc, p.made_at desc
                        """).param(partner).query((row, number) -> paid(row)).list();
    }

    private static Paid paid(ResultSet row) throws SQLException {
        int payout = row.getInt(7);
        return new Paid(
                row.getObject(1, UUID.class),
                row.getObject(2, UUID.class),
                row.getString(3),
                row.getObject(4, LocalDate.class),
                row.getLong(5),
                row.getString(6),
                payout == 0 ? Optional.empty() : Optional.of(payout),
                row.getObject(8) != null);
    }

    /**
     * What may be paid to a partner today: what stands on statements and is held no more, less what was paid or ordered.
     *
     * @param iban empty text where there is no bank account
     */
    record Payable(
            UUID partner,
            String name,
            String payout,
            String accountName,
            String iban,
            String bic,
            long minimumMinor,
            long minor,
            long orderedMinor) {
        /** By an order to the bank. Less than the minimum is carried forward. */
        public boolean isByBank() {
            return !iban.isEmpty() && minor > 0 && minor >= minimumMinor && orderedMinor == 0;
        }
    }

    @Transactional(readOnly = true)
    List<Payable> payable(LocalDate today) {
        return jdbc.sql("""
                        select p.id, s.name, p.payout, p.account_name, p.iban, p.bic, p.minimum_minor,
                            coalesce(l.minor, 0) - coalesce(m.minor, 0) as minor, coalesce(m.ordered, 0) as ordered
                        from partner p join source s on s.id = p.id
                        left join (select partner_id, sum(minor) as minor from commission_line
                            where statement_id is not null and (minor <= 0 or due_from <= :today) group by 1) l
                            on l.partner_id = p.id
                        left join (select partner_id, sum(amount_minor) as minor,
                                sum(amount_minor) filter (where state = 'open') as ordered
                            from partner_payment where state <> 'cancelled' group by 1) m on m.partner_id = p.id
                        order by s.name
                        """)
                .param("today", today)
                .query((row, number) -> new Payable(
                        row.getObject(1, UUID.class),
                        row.getString(2),
                        row.getString(3),
                        row.getString(4),
                        row.getString(5),
                        row.getString(6),
                        row.getLong(7),
                        row.getLong(8),
                        row.getLong(9)))
                .list();
    }

    /** An order to the bank, with what it pays. */
    record Order(
            UUID id,
            int number,
            LocalDate payOn,
            String state,
            Instant madeAt,
            String madeBy,
            int payments,
            long minor) {}

    @Transactional(readOnly = true)
    List<Order> orders() {
        return jdbc.sql("""
                        select o.id, o.number, o.pay_on, o.state, o.made_at, o.made_by, count(p.id), coalesce(sum(p.amount_minor), 0)
                        from payout o left join partner_payment p on p.payout_id = o.id
                        group by o.id order by o.number desc limit 50
                        """)
                .query((row, number) -> new Order(
                        row.getObject(1, UUID.class),
                        row.getInt(2),
                        row.getObject(3, LocalDate.class),
                        row.getString(4),
                        row.getTimestamp(5).toInstant(),
                        row.getString(6),
                        row.getInt(7),
                        row.getLong(8)))
                .list();
    }

    /** Months that are over with lines that stand on no statement, oldest first, and of how many partners. */
    record Waiting(LocalDate month, int partners, long minor) {}

    @Transactional(readOnly = true)
    List<Waiting> waiting(LocalDate today) {
        return jdbc.sql("""
                        select date_trunc('month', day)::date, count(distinct partner_id), sum(minor) from commission_line
                        where statement_id is null and minor <> 0 and day < date_trunc('month', cast(? as date))::date group by 1 order by 1
                        """)
                .param(today)
                .query((row, number) -> new Waiting(row.getObject(1, LocalDate.class), row.getInt(2), row.getLong(3)))
                .list();
    }
}
