package wendo.app.credit;

import com.github.kagkarlsson.scheduler.SchedulerClient;
import java.time.Clock;
import java.time.Duration;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import java.util.concurrent.TimeUnit;
import java.util.function.Supplier;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.context.event.EventListener;
import org.springframework.modulith.events.IncompleteEventPublications;
import org.springframework.scheduling.annotation.Async;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;
import org.springframework.transaction.event.TransactionalEventListener;
import wendo.app.outcome.outcomes.OutcomesChanged;
import wendo.app.outcome.outcomes.OutcomesRecorded;
import wendo.app.platform.business.BusinessId;
import wendo.app.platform.business.BusinessScope;
import wendo.app.platform.business.ZoneChanged;
import wendo.app.platform.site.Texts;
import wendo.app.prepare.evidence.ClueChanged;
import wendo.app.prepare.sources.WindowsChanged;
import wendo.app.visit.visits.VisitsStored;

/** Credits outcomes soon after they are recorded, or after the visit they wait for is stored. */
@Component
class Crediting {
    private final CreditWork work;
    private final CreditEditions editions;
    private final DueOutcomes dueOutcomes;
    private final ClueStore clues;
    private final PersonJoins joins;
    private final LeadContinuations continuing;
    private final BusinessScope scope;
    private final SchedulerClient jobs;
    private final Clock clock;
    private final IncompleteEventPublications incomplete;
    private final ApplicationEventPublisher events;

    Crediting(
            CreditWork work,
            CreditEditions editions,
            DueOutcomes dueOutcomes,
            ClueStore clues,
            PersonJoins joins,
            LeadContinuations continuing,
            BusinessScope scope,
            SchedulerClient jobs,
            Clock clock,
            IncompleteEventPublications incomplete,
            ApplicationEventPublisher events) {
        this.work = work;
        this.editions = editions;
        this.dueOutcomes = dueOutcomes;
        this.clues = clues;
        this.joins = joins;
        this.continuing = continuing;
        this.scope = scope;
        this.jobs = jobs;
        this.clock = clock;
        this.incomplete = incomplete;
        this.events = events;
    }

    @Async
    @TransactionalEventListener
    void on(OutcomesRecorded event) {
        credit(event.business(), event::outcomes);
    }

    @Async
    @TransactionalEventListener
    void on(OutcomesChanged event) {
        credit(event.business(), event::outcomes);
    }

    /** An outcome can be faster than the carrier of its visit. */
    @Async
    @EventListener
    void on(VisitsStored event) {
        dueOutcomes.waitingFor(event).forEach((business, outcomes) -> credit(business, () -> outcomes));
    }

    /** A code or an answer stands for another source now. */
    @Async
    @TransactionalEventListener
    void on(ClueChanged event) {
        credit(event.business(), () -> dueOutcomes.with(event.kind(), event.key()));
    }

    /** Which touches may earn has changed, so everything is recalculated. */
    @Async
    @TransactionalEventListener(fallbackExecution = true)
    void on(WindowsChanged event) {
        scope.within(event.business(), () -> {
            CreditRecalculation.ask(jobs, editions, Texts.kept("credit.lookback-windows-changed"), clock);
            return event;
        });
    }

    /** Outcomes of which only the day is known have moved with their days. */
    @Async
    @TransactionalEventListener
    void on(ZoneChanged event) {
        scope.within(event.business(), () -> {
            CreditRecalculation.ask(jobs, editions, Texts.kept("credit.time-zone-changed"), clock);
            return event;
        });
    }

    /** What failed, because the database was away for instance, is tried again. */
    @Scheduled(fixedDelay = 1, timeUnit = TimeUnit.MINUTES)
    void tryAgain() {
        incomplete.resubmitIncompletePublicationsOlderThan(Duration.ofMinutes(1));
    }

    private void credit(BusinessId business, Supplier<List<UUID>> outcomes) {
        scope.within(business, () -> {
            editions.lock();
            return creditWithPeople(outcomes.get());
        });
    }

    /** Together with all other outcomes of the same people, whose credit may change too. */
    private int creditWithPeople(List<UUID> outcomes) {
        Set<UUID> affected = new LinkedHashSet<>();
        for (UUID outcome : outcomes) {
            clues.find(outcome);
            affected.add(outcome);
            affected.addAll(joins.join(outcome));
        }
        creditAgain(List.copyOf(affected));
        if (!affected.isEmpty()) {
            events.publishEvent(new OutcomesCredited(BusinessScope.current(), List.copyOf(affected)));
        }
        return affected.size();
    }

    /** In the edition that is shown and in the one that is being calculated. Runs in the transaction of its caller. */
    void creditAgain(List<UUID> outcomes) {
        if (outcomes.isEmpty()) {
            return;
        }
        continuing.find(outcomes);
        long current = editions.current();
        work.credit(outcomes, current, current);
        editions.find()
                .flatMap(CreditEditions.Progress::building)
                .ifPresent(building -> work.credit(outcomes, building, current));
    }
}
