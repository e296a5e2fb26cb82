package wendo.app.money.partners;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import wendo.app.platform.business.BusinessScope;
import wendo.core.partners.CommissionLedger;
import wendo.core.partners.MonthCommission;

/**
 * The lines of what outcomes earned, written in sets, for a season's outcomes can be credited at once. Runs in the
 * transaction of its caller.
 */
@Component
class CommissionRows {
    private final JdbcClient jdbc;

    CommissionRows(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /** What the lines on statements add up to, by outcome, of the outcomes of these months. */
    Map<UUID, Long> settled(UUID partner, Set<LocalDate> months) {
        return jdbc
                .sql("""
                        select outcome_id, sum(minor) from commission_line
                        where partner_id = :partner and statement_id is not null and (:all or month = any(cast(:months as date[]))) group by 1
                        """)
                .param("partner", partner)
                .param("all", months.isEmpty())
                .param("months", texts(months))
                .query((row, number) -> Map.entry(row.getObject(1, UUID.class), row.getLong(2)))
                .list()
                .stream()
                .collect(Collectors.toMap(Map.Entry::getKey, Map.Entry::getValue));
    }

    /** What the lines on statements are of. */
    Map<UUID, About> aboutSettled(UUID partner, Set<LocalDate> months) {
        return jdbc
                .sql("""
                        select distinct on (outcome_id) outcome_id, outcome_kind, reference, month, way from commission_line
                        where partner_id = :partner and statement_id is not null and (:all or month = any(cast(:months as date[])))
                        """)
                .param("partner", partner)
                .param("all", months.isEmpty())
                .param("months", texts(months))
                .query((row, number) -> Map.entry(
                        row.getObject(1, UUID.class),
                        new About(
                                row.getString(2),
                                row.getString(3),
                                row.getObject(4, LocalDate.class),
                                TermsWay.of(row.getString(5)))))
                .list()
                .stream()
                .collect(Collectors.toMap(Map.Entry::getKey, Map.Entry::getValue));
    }

    /** The day after the last month that a statement went out for. */
    LocalDate firstOpen(UUID partner) {
        return jdbc
                .sql("select max(month) from partner_statement where partner_id = ?")
                .param(partner)
                .query((row, number) -> row.getObject(1, LocalDate.class))
                .stream()
                .filter(java.util.Objects::nonNull)
                .map(month -> YearMonth.from(month).plusMonths(1).atDay(1))
                .findFirst()
                .orElse(LocalDate.EPOCH);
    }

    /** An outcome that a line is of. */
    record About(String kind, String reference, LocalDate month, TermsWay way) {
        static final About GONE = new About("", "", LocalDate.EPOCH, TermsWay.LINK);
    }

    /** A line as it is stored: what it is of and what it says. */
    private record Line(
            UUID outcome,
            About about,
            String kind,
            LocalDate day,
            LocalDate dueFrom,
            long minor,
            String reason,
            String shares) {
        private static Line of(CommissionLedger.Entry entry, About about) {
            return new Line(
                    entry.outcome(),
                    about,
                    entry.kind().name().toLowerCase(Locale.ROOT),
                    entry.day(),
                    entry.dueFrom(),
                    entry.minor(),
                    CommissionRows.reason(entry),
                    CommissionRows.shares(entry));
        }
    }

    /** Puts these in the place of all lines of the months that are on no statement; one that stays as it is, is not written. */
    void replace(
            UUID partner, Set<LocalDate> months, List<CommissionLedger.Entry> entries, Function<UUID, About> about) {
        Map<Line, Deque<UUID>> open = open(partner, months);
        List<Line> fresh = new ArrayList<>();
        for (CommissionLedger.Entry entry : entries) {
            Line line = Line.of(entry, about.apply(entry.outcome()));
            Deque<UUID> same = open.get(line);
            if (same == null || same.poll() == null) {
                fresh.add(line);
            }
        }
        UUID[] gone = open.values().stream().flatMap(Deque::stream).toArray(UUID[]::new);
        if (gone.length > 0) {
            jdbc.sql("delete from commission_line where id = any(?)")
                    .param(gone)
                    .update();
        }
        if (!fresh.isEmpty()) {
            insert(partner, fresh);
        }
    }

    private Map<Line, Deque<UUID>> open(UUID partner, Set<LocalDate> months) {
        Map<Line, Deque<UUID>> open = new HashMap<>();
        jdbc.sql("""
                        select id, outcome_id, outcome_kind, reference, month, way, kind, day, due_from, minor, reason, shares
                        from commission_line
                        where partner_id = :partner and statement_id is null and (:all or month = any(cast(:months as date[])))
                        """)
                .param("partner", partner)
                .param("all", months.isEmpty())
                .param("months", texts(months))
                .query(row -> {
                    open.computeIfAbsent(line(row), one -> new ArrayDeque<>()).add(row.getObject("id", UUID.class));
                });
        return open;
    }

    private static Line line(ResultSet row) throws SQLException {
        return new Line(
                row.getObject("outcome_id", UUID.class),
                new About(
                        row.getString("outcome_kind"),
                        row.getString("reference"),
                        row.getObject("month", LocalDate.class),
                        TermsWay.of(row.getString("way"))),
                row.getString("kind"),
                row.getObject("day", LocalDate.class),
                row.getObject("due_from", LocalDate.class),
                row.getLong("minor"),
                row.getString("reason"),
                row.getString("shares"));
    }

    private void insert(UUID partner, List<Line> lines) {
        jdbc.sql("""
                        insert into commission_line (id, business_id, partner_id, outcome_id, outcome_kind, reference, month, way,
                            kind, day, due_from, minor, reason, shares)
                        select gen_random_uuid(), ?, ?, * from unnest(?::uuid[], ?::text[], ?::text[], ?::date[], ?::text[],
                            ?::text[], ?::date[], ?::date[], ?::bigint[], ?::text[], ?::text[])
                        """)
                .params(BusinessScope.current().value(), partner)
                .param(column(lines, Line::outcome, UUID.class))
                .param(column(lines, one -> one.about().kind(), String.class))
                .param(column(lines, one -> one.about().reference(), String.class))
                .param(column(lines, one -> one.about().month().toString(), String.class))
                .param(column(lines, one -> one.about().way().key(), String.class))
                .param(column(lines, Line::kind, String.class))
                .param(column(lines, one -> one.day().toString(), String.class))
                .param(column(lines, one -> one.dueFrom().toString(), String.class))
                .param(column(lines, Line::minor, Long.class))
                .param(column(lines, Line::reason, String.class))
                .param(column(lines, Line::shares, String.class))
                .update();
    }

    void putOn(LocalDate month, LocalDate end, int afterNumber) {
        jdbc.sql("""
                        update commission_line l set statement_id = s.id from partner_statement s
                        where s.partner_id = l.partner_id and s.month = :month and s.number > :after
                            and l.statement_id is null and l.day < :end
                        """)
                .param("month", month)
                .param("after", afterNumber)
                .param("end", end)
                .update();
    }

    /** The driver takes no arrays of days. */
    static String[] texts(Set<LocalDate> days) {
        return days.stream().map(LocalDate::toString).toArray(String[]::new);
    }

    private static String reason(CommissionLedger.Entry entry) {
        return entry.line()
                .map(line -> line.reason().name().toLowerCase(Locale.ROOT))
                .orElse("not_theirs");
    }

    private static String shares(CommissionLedger.Entry entry) {
        return entry.line()
                .map(MonthCommission.Line::shares)
                .map(RatesText::ofShares)
                .orElse("");
    }

    @SuppressWarnings("unchecked")
    private static <R, T> T[] column(List<R> rows, Function<R, T> value, Class<T> type) {
        return rows.stream().map(value).toArray(size -> (T[]) java.lang.reflect.Array.newInstance(type, size));
    }
}
