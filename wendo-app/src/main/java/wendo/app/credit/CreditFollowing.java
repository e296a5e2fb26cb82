package wendo.app.credit;

import org.springframework.context.event.EventListener;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import wendo.app.sources.SourcesMerged;

/** What a merged source earned, the kept one earned. */
@Component
class CreditFollowing {
    private final JdbcClient jdbc;

    CreditFollowing(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    @EventListener
    void on(SourcesMerged merged) {
        jdbc.sql("update credit set source_id = ? where source_id = ?")
                .params(merged.kept(), merged.merged())
                .update();
    }
}
