package wendo.app.visit.arrivals;

import org.springframework.context.event.EventListener;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import wendo.app.prepare.evidence.ClueChanged;
import wendo.app.prepare.sources.SourcesMerged;
import wendo.app.visit.visits.VisitSumsMade;

/** What arrivals stand for changes with websites that stand for a source, and with sources that become one. */
@Component
class ArrivalSourceMergeListener {
    private final ArrivalSums sums;
    private final JdbcClient jdbc;

    ArrivalSourceMergeListener(ArrivalSums sums, JdbcClient jdbc) {
        this.sums = sums;
        this.jdbc = jdbc;
    }

    @EventListener
    void on(ClueChanged changed) {
        if (changed.isOfWebsite()) {
            sums.rebuild();
        }
    }

    @EventListener
    void on(SourcesMerged merged) {
        jdbc.sql("update site_arrival set source_id = ? where source_id = ?")
                .params(merged.kept(), merged.merged())
                .update();
        sums.merge(merged.kept(), merged.merged());
    }

    @EventListener
    void on(VisitSumsMade made) {
        sums.rebuild(made.countedIn());
    }
}
