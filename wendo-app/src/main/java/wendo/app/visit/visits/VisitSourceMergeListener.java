package wendo.app.visit.visits;

import org.springframework.context.event.EventListener;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import wendo.app.issue.links.LinksCountedAfresh;
import wendo.app.prepare.sources.SourcesMerged;

/** Visits belong to the source that their link belongs to, and are counted from when their link is. */
@Component
class VisitSourceMergeListener {
    private final JdbcClient jdbc;
    private final VisitSums sums;

    VisitSourceMergeListener(JdbcClient jdbc, VisitSums sums) {
        this.jdbc = jdbc;
        this.sums = sums;
    }

    @EventListener
    void on(SourcesMerged merged) {
        sums.lock();
        jdbc.sql("update visit set source_id = ? where source_id = ?")
                .params(merged.kept(), merged.merged())
                .update();
        sums.merge(merged.kept(), merged.merged());
    }

    @EventListener
    void on(LinksCountedAfresh afresh) {
        sums.lock();
        afresh.links().forEach(sums::rebuildLink);
    }
}
