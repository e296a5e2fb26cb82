package wendo.app.visit.visits;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.sql.SQLException;
import java.util.Map;
import java.util.UUID;
import java.util.stream.Collectors;
import org.postgresql.PGConnection;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.jdbc.core.ConnectionCallback;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import wendo.core.visits.Sorted;
import wendo.core.visits.Sorting;
import wendo.core.visits.VisitKind;

/**
 * The hot road of visits: copied into a table of the transaction's own, then sorted by what only the database knows
 * (repeats, merged sources, recipients, what is stored already) and inserted by one statement. Runs in the transaction of
 * its caller, through Hibernate's connection; what it stored stands in {@code stored_visit} until that ends.
 */
@Component
class ArrivingVisits {
    /** Tables of the connection, empty at first: a transaction that stores twice has them filled from the first time. */
    private static final String TABLES = """
            create temporary table if not exists arriving (
                business_id uuid, arrived_at timestamptz, click_id uuid, link_id uuid, source_id uuid, destination_id uuid,
                visitor uuid, recipient text, country text, device text, proof_id uuid, kind text, reason text,
                referrer text, user_agent text, language text, system text, browser text, since timestamptz)
                on commit delete rows;
            create temporary table if not exists stored_visit (
                arrived_at timestamptz, click_id uuid, business_id uuid, link_id uuid, source_id uuid, destination_id uuid,
                visitor uuid, kind text, referrer text, country text, device text, system text, browser text, language text,
                since timestamptz) on commit delete rows;
            delete from arriving;
            delete from stored_visit
            """;

    private static final String COPY = "copy arriving from stdin";

    /**
     * Until the transaction ends it sees and adds visits of all businesses and can do nothing else. Planned anew for each
     * batch, for one visit and thirty thousand want different plans.
     */
    private static final String TAKE_UP = """
            select set_config('role', intake_role(), true), set_config('plan_cache_mode', 'force_custom_plan', true),
                set_config('work_mem', '64MB', true)
            """;

    /** In order, so that two carriers never wait for each other. */
    private static final String LOCK = """
            select own.business_id, own.visits, exists (select from business where id = own.business_id) as is_there,
                pg_advisory_xact_lock(hashtextextended('visits ' || own.business_id, 0))
            from (select business_id, count(*) as visits from arriving group by 1 order by 1) own
            """;

    /**
     * A tap is a repeat too if one is stored by which the same visitor opened the same link within half a minute; of taps
     * that two carriers store in turn, the later one can be the one that was first.
     */
    private static final String STORE = """
            with sorted as (
                select a.*, coalesce(s.merged_into, a.source_id) as own_source, r.id as recipient_id,
                    a.kind = 'person' and exists (
                        select from visit v where v.business_id = a.business_id and v.visitor = a.visitor
                            and v.link_id = a.link_id and v.kind in ('person', 'repeat') and v.click_id <> a.click_id
                            and v.arrived_at > a.arrived_at - make_interval(secs => :repeatWithin)
                            and v.arrived_at < a.arrived_at + make_interval(secs => :repeatWithin)) as is_again
                from arriving a join business b on b.id = a.business_id
                left join source s on s.business_id = a.business_id and s.id = a.source_id
                left join recipient r on a.recipient <> '' and r.business_id = a.business_id and r.link_id = a.link_id
                    and r.code = a.recipient),
            stored as (
                insert into visit (arrived_at, click_id, business_id, link_id, source_id, destination_id, visitor,
                    recipient_id, country, device, proof_id, kind, reason, referrer, user_agent, language, system, browser)
                select arrived_at, click_id, business_id, link_id, own_source, destination_id, visitor, recipient_id, country,
                    device, proof_id, case when is_again then :againKind else kind end,
                    case when is_again then :againReason else reason end, referrer, user_agent, language, system, browser
                from sorted
                on conflict do nothing
                returning arrived_at, click_id, business_id, link_id, source_id, destination_id, visitor, kind, referrer,
                    country, device, system, browser, language)
            insert into stored_visit
            select s.*, a.since from stored s join arriving a on a.click_id = s.click_id
            """;

    private static final Logger LOG = LoggerFactory.getLogger(ArrivingVisits.class);

    private final JdbcTemplate template;
    private final JdbcClient jdbc;

    ArrivingVisits(JdbcTemplate template, JdbcClient jdbc) {
        this.template = template;
        this.jdbc = jdbc;
    }

    /**
     * Stores those that are not stored yet. Answers how many they are.
     *
     * @param rows what {@link SortedVisit#rows} made of them
     */
    int store(byte[] rows) {
        template.query(TAKE_UP, row -> {});
        template.execute(TABLES);
        template.execute((ConnectionCallback<Long>) connection -> copy(connection.unwrap(PGConnection.class), rows));
        template.query(LOCK, row -> {
            if (!row.getBoolean("is_there")) {
                LOG.warn(
                        "{} visits came for a business that was deleted, and are left out: {}",
                        row.getLong("visits"),
                        row.getString("business_id"));
            }
        });
        Sorted again = Sorting.AGAIN;
        return jdbc.sql(STORE)
                .param("repeatWithin", Sorting.REPEAT_WITHIN.toSeconds())
                .param("againKind", again.kind().key())
                .param("againReason", again.reason())
                .update();
    }

    /** What kind each of those turned out to be that this transaction has stored. */
    Map<UUID, VisitKind> kinds() {
        return jdbc
                .sql("select click_id, kind from stored_visit")
                .query((row, number) -> Map.entry(row.getObject(1, UUID.class), VisitKind.of(row.getString(2))))
                .list()
                .stream()
                .collect(Collectors.toMap(Map.Entry::getKey, Map.Entry::getValue));
    }

    /** Lets the database look at a month that has just begun to fill, before it plans for it. */
    void lookAtNewMonths() {
        template.query("select analyze_new_visit_months()", row -> {});
    }

    /** From here on the transaction is that of the business in scope again. */
    void layDown() {
        template.query("select set_config('role', 'none', true)", row -> {});
    }

    private static long copy(PGConnection connection, byte[] rows) throws SQLException {
        try {
            return connection.getCopyAPI().copyIn(COPY, new ByteArrayInputStream(rows));
        } catch (IOException e) { // of a stream that is in memory
            throw new UncheckedIOException(e);
        }
    }
}
