package wendo.app.compare.crosscheck;

import org.springframework.context.event.EventListener;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import wendo.app.prepare.sources.SourcesMerged;

/** Counts of a merged source become counts of the source that is kept. */
@Component
class CrossCheckSourceMergeListener {
    private final JdbcClient jdbc;

    CrossCheckSourceMergeListener(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    @EventListener
    void on(SourcesMerged merged) {
        jdbc.sql("update cross_check set source_id = ?, version = version + 1 where source_id = ?")
                .params(merged.kept(), merged.merged())
                .update();
    }
}
