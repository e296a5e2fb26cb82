package wendo.app.credit;

import org.springframework.context.event.EventListener;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import wendo.app.prepare.sources.SourcesMerged;

/** Credit of a merged source becomes credit of the source that is kept. */
@Component
class CreditSourceMergeListener {
    private final CreditEditions editions;
    private final JdbcClient jdbc;

    CreditSourceMergeListener(CreditEditions editions, JdbcClient jdbc) {
        this.editions = editions;
        this.jdbc = jdbc;
    }

    /** Runs before the listeners that sum up what is changed here. */
    @EventListener
    @Order(Ordered.HIGHEST_PRECEDENCE)
    void on(SourcesMerged merged) {
        editions.lock();
        jdbc.sql("update journey set sources = array_replace(sources, ?, ?)")
                .params(merged.merged(), merged.kept())
                .update();
        jdbc.sql("update credit_row set source_id = ? where source_id = ?")
                .params(merged.kept(), merged.merged())
                .update();
        jdbc.sql("update outcome_clue set source_id = ? where source_id = ?")
                .params(merged.kept(), merged.merged())
                .update();
    }
}
