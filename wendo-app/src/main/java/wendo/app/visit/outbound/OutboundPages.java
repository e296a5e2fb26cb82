package wendo.app.visit.outbound;

import java.sql.Timestamp;
import java.time.Clock;
import java.util.List;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import wendo.app.platform.business.Business;

/** The business's own pages that people left by links that lead away. */
@Component
public class OutboundPages {
    private static final int MOST = 200;

    private final JdbcClient jdbc;
    private final Clock clock;

    OutboundPages(JdbcClient jdbc, Clock clock) {
        this.jdbc = jdbc;
        this.clock = clock;
    }

    /** The addresses of those of the last 90 days, most left first; without encryption where a business tries things out. */
    @Transactional(readOnly = true)
    public List<String> recent(Business business) {
        return jdbc
                .sql("""
                        select page from outbound_click where clicked_at >= :from and kind = 'person'
                        group by 1 order by count(*) desc, 1 limit :most
                        """)
                .param("from", Timestamp.from(clock.instant().minusSeconds(OutboundPatterns.MEASURED_DAYS * 86_400L)))
                .param("most", MOST)
                .query(String.class)
                .list()
                .stream()
                .map(page ->
                        (business.allowsLocalDestinations() && page.startsWith("localhost") ? "http://" : "https://")
                                + page)
                .toList();
    }
}
