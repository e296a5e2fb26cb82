package wendo.app.issue.routes;

import java.time.Instant;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** The SQL of a link's destinations. */
@Component
class RouteQueries {
    private final JdbcClient jdbc;

    RouteQueries(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /** Where a link has led from an instant on. */
    record PastDestination(String address, String reason, Instant at, String by) {}

    /** The pages that rules and splits lead to, by destination, without tags. */
    @Transactional(readOnly = true)
    Map<UUID, String> pages(UUID link) {
        Map<UUID, String> pages = new HashMap<>();
        jdbc.sql("""
                        select d.id, d.address from destination d
                        where d.id in (select destination_id from link_branch where link_id = ?)
                        """).param(link).query(row -> {
            pages.put(row.getObject(1, UUID.class), row.getString(2));
        });
        return pages;
    }

    /** Newest first; the first is where it leads now. */
    @Transactional(readOnly = true)
    List<PastDestination> history(UUID link) {
        return jdbc.sql("""
                        select address, reason, changed_at, changed_by from link_destination
                        where link_id = ? order by changed_at desc, id
                        """)
                .param(link)
                .query((row, number) -> new PastDestination(
                        row.getString(1), row.getString(2), row.getTimestamp(3).toInstant(), row.getString(4)))
                .list();
    }
}
