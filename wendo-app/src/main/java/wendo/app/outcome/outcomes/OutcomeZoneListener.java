package wendo.app.outcome.outcomes;

import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;
import wendo.app.platform.business.ZoneChanged;

/** An outcome of which only the day is known stays on that day, whose beginning and end have moved. */
@Component
class OutcomeZoneListener {
    private final OutcomeRepository repository;

    OutcomeZoneListener(OutcomeRepository repository) {
        this.repository = repository;
    }

    @EventListener
    void on(ZoneChanged changed) {
        repository.moveDays(changed.before().getId(), changed.after().getId());
    }
}
