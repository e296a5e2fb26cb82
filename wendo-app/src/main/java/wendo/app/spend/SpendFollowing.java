package wendo.app.spend;

import org.springframework.context.event.EventListener;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import wendo.app.sources.SourcesMerged;

/** What a merged source cost, the kept one cost. */
@Component
class SpendFollowing {
    private final JdbcClient jdbc;

    SpendFollowing(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    @EventListener
    void on(SourcesMerged merged) {
        jdbc.sql("update spend set source_id = ? where source_id = ?")
                .params(merged.kept(), merged.merged())
                .update();
    }
}
