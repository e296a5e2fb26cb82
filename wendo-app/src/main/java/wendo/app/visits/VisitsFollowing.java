package wendo.app.visits;

import org.springframework.context.event.EventListener;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import wendo.app.sources.SourcesMerged;

/** Visits belong to the source that their link belongs to. */
@Component
class VisitsFollowing {
    private final JdbcClient jdbc;

    VisitsFollowing(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    @EventListener
    void on(SourcesMerged merged) {
        jdbc.sql("update visit set source_id = ? where source_id = ?")
                .params(merged.kept(), merged.merged())
                .update();
    }
}
