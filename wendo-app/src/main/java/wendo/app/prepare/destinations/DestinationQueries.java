package wendo.app.prepare.destinations;

import java.util.HashMap;
import java.util.Map;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** The SQL of the destinations' screens. */
@Component
class DestinationQueries {
    private final JdbcClient jdbc;

    DestinationQueries(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /** How many links lead to each destination; those without links are left out. */
    @Transactional(readOnly = true)
    Map<UUID, Long> links() {
        Map<UUID, Long> links = new HashMap<>();
        jdbc.sql("select destination_id, count(*) from link group by destination_id")
                .query(row -> {
                    links.put(row.getObject(1, UUID.class), row.getLong(2));
                });
        return links;
    }
}
