package wendo.app.credit;

import java.util.List;
import org.springframework.context.event.EventListener;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import wendo.app.sources.SourcesMerged;

/** What a merged source earned, the kept one earned; what stood for it stands for the kept one. */
@Component
class CreditFollowing {
    private final JdbcClient jdbc;

    CreditFollowing(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /** Before those who sum up what follows here. */
    @EventListener
    @Order(Ordered.HIGHEST_PRECEDENCE)
    void on(SourcesMerged merged) {
        jdbc.sql("update journey set sources = array_replace(sources, ?, ?)")
                .params(merged.merged(), merged.kept())
                .update();
        jdbc.sql("update credit_row set source_id = ? where source_id = ?")
                .params(merged.kept(), merged.merged())
                .update();
        for (String table : List.of("source_clue", "outcome_clue", "site_arrival")) {
            jdbc.sql("update " + table + " set source_id = ? where source_id = ?")
                    .params(merged.kept(), merged.merged())
                    .update();
        }
        for (String column : List.of("partner_source_id", "set_source_id")) {
            jdbc.sql("update outcome set " + column + " = ? where " + column + " = ?")
                    .params(merged.kept(), merged.merged())
                    .update();
        }
    }
}
