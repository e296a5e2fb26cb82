package wendo.app.prepare.evidence;

import org.springframework.context.event.EventListener;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import wendo.app.prepare.sources.SourcesMerged;

/** Codes and answers of a merged source become those of the source that is kept. */
@Component
class ClueSourceMergeListener {
    private final SourceClueRepository repository;

    ClueSourceMergeListener(SourceClueRepository repository) {
        this.repository = repository;
    }

    /** Runs before the listeners that sum up what is changed here. */
    @EventListener
    @Order(Ordered.HIGHEST_PRECEDENCE)
    void on(SourcesMerged merged) {
        repository.findBySourceId(merged.merged()).forEach(clue -> clue.standFor(merged.kept()));
    }
}
