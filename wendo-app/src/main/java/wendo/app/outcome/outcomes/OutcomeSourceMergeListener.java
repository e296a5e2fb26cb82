package wendo.app.outcome.outcomes;

import java.util.List;
import org.springframework.context.event.EventListener;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import wendo.app.prepare.sources.SourcesMerged;

/** Outcomes that a person or a partner assigned to a merged source belong to the source that is kept. */
@Component
class OutcomeSourceMergeListener {
    private final JdbcClient jdbc;

    OutcomeSourceMergeListener(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /** Runs before the listeners that sum up what is changed here. */
    @EventListener
    @Order(Ordered.HIGHEST_PRECEDENCE)
    void on(SourcesMerged merged) {
        for (String column : List.of("partner_source_id", "set_source_id", "claim_source_id")) {
            jdbc.sql("update outcome set %1$s = ?, version = version + 1 where %1$s = ?".formatted(column))
                    .params(merged.kept(), merged.merged())
                    .update();
        }
    }
}
