package wendo.app.credit;

import java.time.Duration;
import java.util.ArrayList;
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
import wendo.app.evidence.ClueChanged;
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
import wendo.core.outcomes.Clue;
import wendo.core.outcomes.Evidence;
import wendo.core.visits.ClickId;
import wendo.core.visits.Touch;

/** Credits outcomes soon after they are recorded, or after the visit they wait for is stored. */
@Component
class Crediting {
    private static final AttributionModel MODEL = new LastTouch();

    private final CreditStore store;
    private final ClueStore clueStore;
    private final ChannelWindows windows;
    private final BusinessScope scope;
    private final IncompleteEventPublications incomplete;

    Crediting(
            CreditStore store,
            ClueStore clueStore,
            ChannelWindows windows,
            BusinessScope scope,
            IncompleteEventPublications incomplete) {
        this.store = store;
        this.clueStore = clueStore;
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

    /** A code or an answer stands for another source now. */
    @Async
    @TransactionalEventListener
    void on(ClueChanged event) {
        scope.within(event.business(), () -> {
            store.lock();
            return creditAll(store.with(event.kind(), event.key()));
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
        if (found.isEmpty()) {
            return;
        }
        CreditStore.Due due = found.get();
        List<Credit> earned = due.visitor().isEmpty() ? List.of() : byVisits(due, current);
        List<Clue> clues = new ArrayList<>();
        if (!earned.isEmpty()) {
            Credit latest = earned.get(earned.size() - 1);
            clues.add(new Clue(
                    Evidence.CLICK,
                    new ClickId(due.click().orElseThrow()).toString(),
                    Optional.of(latest.touch().source())));
        }
        clues.addAll(clueStore.of(outcome));
        clueStore.keep(outcome, clues);
        Optional<Clue> best = Clue.strongest(clues);
        boolean isByVisits =
                best.filter(clue -> clue.evidence() == Evidence.CLICK).isPresent();
        if (isByVisits) {
            store.replace(due.id(), MODEL.key(), earned);
        } else if (best.isPresent()) {
            store.replace(due.id(), MODEL.key(), best.get().source().orElseThrow(), due.occurredAt(), due.valueMinor());
        } else if (due.click().isEmpty()
                || due.visitor().isPresent()) { // else its visit is on its road, or was deleted
            store.replace(due.id(), MODEL.key(), List.of());
        }
    }

    private List<Credit> byVisits(CreditStore.Due due, LookbackWindows current) {
        List<Touch.Step> visits = store.visits(
                due.visitor().orElseThrow(),
                due.click().orElseThrow(),
                due.occurredAt().minus(current.longest()),
                due.occurredAt());
        Trail trail = Trail.before(due.occurredAt(), Touch.join(visits), current);
        return Credit.divide(trail, MODEL, due.valueMinor());
    }
}
