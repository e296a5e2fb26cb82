package wendo.app.compare.drilldown;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Instant;
import java.time.LocalDate;
import java.time.YearMonth;
import java.time.ZoneId;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import wendo.app.compare.sql.CompareQueries;
import wendo.app.compare.sql.Grouping;
import wendo.app.compare.table.CompareContext;
import wendo.app.compare.table.ComparedRow;
import wendo.core.measure.Period;

/**
 * The visits and people that stand behind a number of the comparison, newest first, as far as they are kept one
 * by one. How many there are is known from the sums; here only those that are shown are looked up.
 */
@Component
class DrilldownVisitQueries {
    /** Keeps the planner on the index that holds the newest first; by itself it would read and sort everything. */
    private static final String IN_ORDER = """
            select set_config('enable_seqscan', 'off', true), set_config('enable_bitmapscan', 'off', true),
                set_config('enable_sort', ?, true)""";

    private final JdbcClient jdbc;

    DrilldownVisitQueries(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /** A visit by a link, or an arrival without one. */
    record Seen(
            Instant at,
            String source,
            String link,
            Optional<UUID> linkId,
            String country,
            String device,
            String referrer) {}

    /**
     * Somebody who came, by a source, a link or in a month, as the comparison counts people.
     *
     * @param outcome the last they are known to have had
     * @param recipient who their personal link was sent to; empty text if they came by no such link
     */
    record Somebody(
            Instant first,
            Instant last,
            long visits,
            String source,
            boolean withoutLink,
            Optional<UUID> outcome,
            String outcomeKind,
            String recipient) {
        /** The same without contact details, for people who may not see them. */
        Somebody withoutContacts() {
            return new Somebody(first, last, visits, source, withoutLink, outcome, outcomeKind, "");
        }
    }

    /** The day from which visits are kept one by one; none if there are none. */
    @Transactional(readOnly = true)
    Optional<LocalDate> firstKept(ZoneId zone) {
        return jdbc.sql("""
                        select (least(
                            (select min(arrived_at) from visit), (select min(arrived_at) from site_arrival)) at time zone :zone)::date
                        """)
                .param("zone", zone.getId())
                .query((row, number) -> Optional.ofNullable(row.getObject(1, LocalDate.class)))
                .single();
    }

    @Transactional(readOnly = true)
    List<Seen> visits(ComparedRow row, CompareContext context, int page) {
        if (row.visits() == 0) {
            return List.of(); // no visits to look for: nobody came, or the row has nothing but spend
        }
        return paged(DrilldownVisitSql.visits(row, context.look()), row, context, page)
                .query((found, number) -> new Seen(
                        found.getTimestamp(1).toInstant(),
                        found.getString(2),
                        found.getString(3),
                        Optional.ofNullable(found.getObject(4, UUID.class)),
                        found.getString(5),
                        found.getString(6),
                        found.getString(7)))
                .list();
    }

    @Transactional(readOnly = true)
    List<Somebody> people(ComparedRow row, CompareContext context, int page) {
        if (row.visits() == 0) {
            return List.of();
        }
        return paged(DrilldownVisitSql.people(row, context.look()), row, context, page)
                .query((found, number) -> somebody(found))
                .list();
    }

    private JdbcClient.StatementSpec paged(String sql, ComparedRow row, CompareContext context, int page) {
        jdbc.sql(IN_ORDER)
                .param(row.visits() > DrilldownVisitSql.FEW ? "off" : "on")
                .query(found -> {});
        boolean isMonth =
                context.look().grouping() == Grouping.MONTH && !row.key().equals(ComparedRow.TOTAL);
        Period days = isMonth ? within(context.period(), YearMonth.parse(row.key())) : context.period();
        return CompareQueries.within(jdbc.sql(sql), days, context.zone())
                .param("key", row.key())
                .param("limit", DrilldownQueries.PAGE)
                .param("offset", (long) page * DrilldownQueries.PAGE)
                .param("reach", (page + 1L) * DrilldownQueries.PAGE);
    }

    private static Period within(Period period, YearMonth month) {
        LocalDate first = month.atDay(1);
        LocalDate last = month.atEndOfMonth();
        return Period.ofDays(
                first.isAfter(period.startInclusive()) ? first : period.startInclusive(),
                last.isBefore(period.lastDay()) ? last : period.lastDay());
    }

    private static Somebody somebody(ResultSet row) throws SQLException {
        return new Somebody(
                row.getTimestamp(1).toInstant(),
                row.getTimestamp(2).toInstant(),
                row.getLong(3),
                row.getString(4),
                row.getBoolean(5),
                Optional.ofNullable(row.getObject(6, UUID.class)),
                Optional.ofNullable(row.getString(7)).orElse(""),
                row.getString(8));
    }
}
