package wendo.app.credit;

import java.time.Duration;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.TimeUnit;
import org.springframework.context.event.EventListener;
import org.springframework.modulith.events.IncompleteEventPublications;
import org.springframework.scheduling.annotation.Async;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;
import org.springframework.transaction.event.TransactionalEventListener;
import wendo.app.business.BusinessScope;
import wendo.app.outcomes.OutcomesChanged;
import wendo.app.outcomes.OutcomesRecorded;
import wendo.app.sources.ChannelWindows;
import wendo.app.sources.WindowsChanged;
import wendo.app.visits.VisitsStored;
import wendo.core.credit.AttributionModel;
import wendo.core.credit.Credit;
import wendo.core.credit.LastTouch;
import wendo.core.credit.LookbackWindows;
import wendo.core.credit.Trail;
import wendo.core.visits.Touch;

/** Credits outcomes soon after they are recorded, or after the visit they wait for is stored. */
@Component
class Crediting {
    private static final AttributionModel MODEL = new LastTouch();

    private final CreditStore store;
    private final ChannelWindows windows;
    private final BusinessScope scope;
    private final IncompleteEventPublications incomplete;

    Crediting(CreditStore store, ChannelWindows windows, BusinessScope scope, IncompleteEventPublications incomplete) {
        this.store = store;
        this.windows = windows;
        this.scope = scope;
        this.incomplete = incomplete;
    }

    @Async
    @TransactionalEventListener
    void on(OutcomesRecorded event) {
        scope.within(event.business(), () -> {
            store.lock();
            return creditAll(event.outcomes());
        });
    }

    @Async
    @TransactionalEventListener
    void on(OutcomesChanged event) {
        scope.within(event.business(), () -> {
            store.lock();
            return creditAll(event.outcomes());
        });
    }

    /** An outcome can be faster than the carrier of its visit. */
    @Async
    @EventListener
    void on(VisitsStored event) {
        scope.within(event.business(), () -> {
            store.lock();
            return creditAll(store.waitingFor(event.clicks()));
        });
    }

    /** What touches may earn has changed: all is gone over again. */
    @Async
    @TransactionalEventListener(fallbackExecution = true)
    void on(WindowsChanged event) {
        scope.within(event.business(), () -> {
            store.lock();
            return creditAll(store.all());
        });
    }

    /** What failed, because the database was away for instance, is tried again. */
    @Scheduled(fixedDelay = 1, timeUnit = TimeUnit.MINUTES)
    void tryAgain() {
        incomplete.resubmitIncompletePublicationsOlderThan(Duration.ofMinutes(1));
    }

    private int creditAll(List<UUID> outcomes) {
        LookbackWindows current = windows.current();
        outcomes.forEach(outcome -> credit(outcome, current));
        return outcomes.size();
    }

    private void credit(UUID outcome, LookbackWindows current) {
        Optional<CreditStore.Due> found = store.find(outcome);
        if (found.isEmpty() || found.get().visitor().isEmpty()) {
            return;
        }
        CreditStore.Due due = found.get();
        List<Touch.Step> visits = store.visits(
                due.visitor().orElseThrow(), due.click(), due.occurredAt().minus(current.longest()), due.occurredAt());
        Trail trail = Trail.before(due.occurredAt(), Touch.join(visits), current);
        store.replace(due.id(), MODEL.key(), Credit.divide(trail, MODEL, due.valueMinor()));
    }
}
