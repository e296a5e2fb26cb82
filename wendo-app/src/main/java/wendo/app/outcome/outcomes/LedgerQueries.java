package wendo.app.outcome.outcomes;

import java.sql.Timestamp;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.Iterator;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.function.Consumer;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import wendo.app.platform.business.Businesses;
import wendo.app.platform.site.FilterValues;
import wendo.app.platform.site.RibbonLayer;
import wendo.core.measure.Period;
import wendo.core.outcomes.OutcomeKind;
import wendo.core.outcomes.OutcomeStatus;

/** The SQL of the ledger: what of it is looked at, page by page or as a whole, and the ribbon's bars. */
@Component
class LedgerQueries implements RibbonLayer {
    static final int PAGE = 100;
    private static final int FETCHED = 500;

    private static final String CHOSEN = """
            where o.occurred_at >= :from and o.occurred_at < :to and not o.is_proof
                and (:kind = '' or o.kind = :kind) and (:status = '' or o.status = :status)
                and (cast(:source as uuid) is null or c.source_id = cast(:source as uuid))
                and (not :unknown or (o.counts and c.outcome_id is null))
                and (:needle = '%%' or lower(o.reference) like :needle or lower(o.items) like :needle
                    or (:contacts and (lower(o.name) like :needle or lower(o.email) like :needle
                        or o.phone like :needle or lower(o.note) like :needle)))
            """;

    private final JdbcClient jdbc;
    private final Businesses businesses;

    LedgerQueries(JdbcClient jdbc, Businesses businesses) {
        this.jdbc = jdbc;
        this.businesses = businesses;
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

    /**
     * What of the ledger is looked at.
     *
     * @param seesContacts whether contact details may be searched
     */
    record Chosen(Period period, ZoneId zone, LedgerFilter filter, boolean seesContacts) {}

    private JdbcClient.StatementSpec chosen(String sql, Chosen chosen) {
        LedgerFilter filter = chosen.filter();
        return jdbc.sql(sql)
                .param("from", Timestamp.from(chosen.period().startsAt(chosen.zone())))
                .param("to", Timestamp.from(chosen.period().endsBefore(chosen.zone())))
                .param("kind", filter.kind().map(OutcomeKind::key).orElse(""))
                .param("status", filter.status().map(OutcomeStatus::key).orElse(""))
                .param("source", filter.source().map(UUID::toString).orElse(null))
                .param("unknown", filter.isUnknown())
                .param("needle", "%" + FilterValues.needle(filter.find()) + "%")
                .param("contacts", chosen.seesContacts());
    }

    private static String order(Chosen chosen) {
        return "order by " + chosen.filter().look().orderBy() + ", o.occurred_at desc, o.id ";
    }

    @Transactional(readOnly = true)
    List<LedgerRow> page(Chosen chosen, int page) {
        return chosen(LedgerRow.SQL + CHOSEN + order(chosen) + "limit :limit offset :offset", chosen)
                .param("limit", PAGE)
                .param("offset", (long) page * PAGE)
                .query(LedgerRow::read)
                .list();
    }

    /** All of them in their order, read as they are taken: an export holds more than a page ever does. */
    @Transactional(readOnly = true)
    void each(Chosen chosen, Consumer<Iterator<LedgerRow>> taker) {
        try (Stream<LedgerRow> rows = chosen(LedgerRow.SQL + CHOSEN + order(chosen), chosen)
                .withFetchSize(FETCHED)
                .query(LedgerRow::read)
                .stream()) {
            taker.accept(rows.iterator());
        }
    }

    @Transactional(readOnly = true)
    Sum sum(Chosen chosen) {
        return chosen("""
                        select count(*) filter (where o.counts), coalesce(sum(o.kept_minor), 0),
                            count(*) filter (where o.counts and c.outcome_id is null), count(*) filter (where not o.counts)
                        from outcome o left join outcome_source c on c.outcome_id = o.id
                        """ + CHOSEN, chosen)
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
}
