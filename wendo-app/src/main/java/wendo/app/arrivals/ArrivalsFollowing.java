package wendo.app.arrivals;

import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;
import wendo.app.evidence.ClueChanged;
import wendo.app.sources.SourcesMerged;
import wendo.app.visits.VisitSumsMade;

/** What arrivals stand for changes with websites that stand for a source, and with sources that become one. */
@Component
class ArrivalsFollowing {
    private final ArrivalSums sums;

    ArrivalsFollowing(ArrivalSums sums) {
        this.sums = sums;
    }

    @EventListener
    void on(ClueChanged changed) {
        if (changed.isOfWebsite()) {
            sums.rebuild();
        }
    }

    /** The arrivals themselves have followed before. */
    @EventListener
    void on(SourcesMerged merged) {
        sums.merge(merged.kept(), merged.merged());
    }

    @EventListener
    void on(VisitSumsMade made) {
        sums.rebuild();
    }
}
