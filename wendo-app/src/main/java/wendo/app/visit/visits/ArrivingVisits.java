package wendo.app.visit.visits;

import java.nio.charset.StandardCharsets;
import java.sql.SQLException;
import java.time.Duration;
import java.time.Instant;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.postgresql.PGConnection;
import org.postgresql.copy.CopyIn;
import org.springframework.jdbc.core.ConnectionCallback;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import wendo.core.visits.ClickId;
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
                arrived_at timestamptz, click_id uuid, link_id uuid, source_id uuid, destination_id uuid, visitor uuid,
                recipient text, country text, device text, proof_id uuid, kind text, reason text, referrer text,
                user_agent text, language text, system text, browser text, since timestamptz) on commit delete rows;
            create temporary table if not exists stored_visit (
                arrived_at timestamptz, click_id uuid, business_id uuid, link_id uuid, source_id uuid, destination_id uuid,
                visitor uuid, kind text, referrer text, country text, device text, system text, browser text, language text,
                since timestamptz) on commit delete rows;
            delete from arriving;
            delete from stored_visit
            """;

    private static final String COPY = "copy arriving from stdin";

    /**
     * A tap is a repeat if the same visitor opened the same link within half a minute, among those that arrive or those
     * that are stored; of taps that two carriers store in turn, the later one can be the one that was first.
     */
    private static final String STORE = """
            with sorted as (
                select a.*, coalesce(s.merged_into, a.source_id) as own_source, r.id as recipient_id,
                    a.kind = 'person' and (
                        a.arrived_at - lag(a.arrived_at) over taps < make_interval(secs => :repeatWithin)
                        or exists (
                            select from visit v where v.business_id = :business and v.visitor = a.visitor
                                and v.link_id = a.link_id and v.kind in ('person', 'repeat') and v.click_id <> a.click_id
                                and v.arrived_at > a.arrived_at - make_interval(secs => :repeatWithin)
                                and v.arrived_at < a.arrived_at + make_interval(secs => :repeatWithin))) as is_again
                from arriving a
                left join source s on s.id = a.source_id
                left join recipient r on a.recipient <> '' and r.link_id = a.link_id and r.code = a.recipient
                window taps as (partition by a.link_id, a.visitor, a.kind = 'person' order by a.arrived_at, a.click_id)),
            stored as (
                insert into visit (arrived_at, click_id, business_id, link_id, source_id, destination_id, visitor,
                    recipient_id, country, device, proof_id, kind, reason, referrer, user_agent, language, system, browser)
                select arrived_at, click_id, :business, link_id, own_source, destination_id, visitor, recipient_id, country,
                    device, proof_id, case when is_again then :againKind else kind end,
                    case when is_again then :againReason else reason end, referrer, user_agent, language, system, browser
                from sorted order by arrived_at, click_id
                on conflict do nothing
                returning arrived_at, click_id, business_id, link_id, source_id, destination_id, visitor, kind, referrer,
                    country, device, system, browser, language)
            insert into stored_visit
            select s.*, a.since from stored s join arriving a on a.click_id = s.click_id
            """;

    /** So much may the clocks of two machines differ. Ours. */
    private static final Duration CLOCKS_APART = Duration.ofHours(1);

    /** A day, and another for the salt that was still in use. */
    private static final Duration SALT_LASTS = Duration.ofDays(2);

    private final JdbcTemplate template;
    private final JdbcClient jdbc;

    ArrivingVisits(JdbcTemplate template, JdbcClient jdbc) {
        this.template = template;
        this.jdbc = jdbc;
    }

    /** A visit with what is known of it before the database is asked. */
    record Arriving(LoggedVisit visit, Sorted sorted, Agents.Agent agent, Optional<UUID> proof) {
        private void write(StringBuilder row) {
            Instant at = visit.click().arrivedAt();
            row.append(at).append('\t').append(visit.click().uuid()).append('\t');
            row.append(visit.link()).append('\t').append(visit.source()).append('\t');
            row.append(visit.destination()).append('\t').append(visit.visitor());
            text(row, visit.recipient());
            text(row, visit.country());
            text(row, visit.device());
            row.append('\t').append(proof.map(UUID::toString).orElse("\\N"));
            text(row, sorted.kind().key());
            text(row, sorted.reason());
            text(row, visit.referrer());
            text(row, visit.userAgent());
            text(row, visit.language());
            text(row, agent.system());
            text(row, agent.browser());
            row.append('\t')
                    .append(since().map(Instant::toString).orElse("-infinity"))
                    .append('\n');
        }

        /**
         * Since when this visitor can have come: not before a version 7 identifier was made (RFC 9562), not on another day
         * than that of a version 8 one, which is made from the day's salt. Earlier months need no look then.
         */
        private Optional<Instant> since() {
            Instant at = visit.click().arrivedAt();
            return switch (visit.visitor().version()) {
                case 7 -> {
                    Instant made = new ClickId(visit.visitor()).arrivedAt();
                    yield Optional.of((made.isBefore(at) ? made : at).minus(CLOCKS_APART));
                }
                case 8 -> Optional.of(at.minus(SALT_LASTS));
                default -> Optional.empty();
            };
        }

        /** Texts of the log have no control characters; what is left to escape is the backslash. */
        private static void text(StringBuilder row, String text) {
            row.append('\t').append(text.indexOf('\\') < 0 ? text : text.replace("\\", "\\\\"));
        }
    }

    /** Stores those that are not stored yet and answers what kind each of these turned out to be. */
    Map<UUID, VisitKind> store(UUID business, List<Arriving> visits) {
        Set<UUID> seen = new HashSet<>(); // a line that a failing disk took after all stands in the log twice
        List<Arriving> each = visits.stream()
                .filter(one -> seen.add(one.visit().click().uuid()))
                .toList();
        template.execute((ConnectionCallback<Long>) connection -> copy(connection.unwrap(PGConnection.class), each));
        Sorted again = Sorting.AGAIN;
        jdbc.sql(STORE)
                .param("business", business)
                .param("repeatWithin", Sorting.REPEAT_WITHIN.toSeconds())
                .param("againKind", again.kind().key())
                .param("againReason", again.reason())
                .update();
        return jdbc
                .sql("select click_id, kind from stored_visit")
                .query((row, number) -> Map.entry(row.getObject(1, UUID.class), VisitKind.of(row.getString(2))))
                .list()
                .stream()
                .collect(Collectors.toMap(Map.Entry::getKey, Map.Entry::getValue));
    }

    private long copy(PGConnection connection, List<Arriving> visits) throws SQLException {
        template.execute(TABLES);
        CopyIn copy = connection.getCopyAPI().copyIn(COPY);
        try {
            StringBuilder rows = new StringBuilder();
            for (Arriving visit : visits) {
                visit.write(rows);
                if (rows.length() > 1 << 16) {
                    write(copy, rows);
                }
            }
            write(copy, rows);
            return copy.endCopy();
        } finally {
            if (copy.isActive()) {
                copy.cancelCopy();
            }
        }
    }

    private static void write(CopyIn copy, StringBuilder rows) throws SQLException {
        byte[] bytes = rows.toString().getBytes(StandardCharsets.UTF_8);
        copy.writeToCopy(bytes, 0, bytes.length);
        rows.setLength(0);
    }
}
