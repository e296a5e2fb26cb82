package wendo.app.prepare.evidence;

import org.springframework.context.event.EventListener;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import wendo.app.prepare.sources.SourcesMerged;

/** What stood for a merged source stands for the kept one. */
@Component
class ClueSourceMergeListener {
    private final SourceClueRepository repository;

    ClueSourceMergeListener(SourceClueRepository repository) {
        this.repository = repository;
    }

    /** Before those who sum up what follows here. */
    @EventListener
    @Order(Ordered.HIGHEST_PRECEDENCE)
    void on(SourcesMerged merged) {
        repository.findBySourceId(merged.merged()).forEach(clue -> clue.standFor(merged.kept()));
    }
}
