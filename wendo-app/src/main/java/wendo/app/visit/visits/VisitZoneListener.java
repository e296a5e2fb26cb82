package wendo.app.visit.visits;

import com.github.kagkarlsson.scheduler.SchedulerClient;
import com.github.kagkarlsson.scheduler.task.TaskInstance;
import java.time.Clock;
import java.time.Duration;
import java.util.UUID;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;
import wendo.app.platform.business.Businesses;
import wendo.app.platform.business.ZoneChanged;
import wendo.app.platform.site.Texts;

/** Days begin at other moments in another time zone, so all sums of days are made anew. */
@Component
class VisitZoneListener {
    /** By then every process counts in the new one. */
    private static final Duration KNOWN_AFTER = Businesses.KEPT.plusSeconds(5);

    private final VisitSettings settings;
    private final SchedulerClient jobs;
    private final Clock clock;

    VisitZoneListener(VisitSettings settings, SchedulerClient jobs, Clock clock) {
        this.settings = settings;
        this.jobs = jobs;
        this.clock = clock;
    }

    @EventListener
    void on(ZoneChanged changed) {
        settings.countedIn(
                changed.before(),
                Texts.kept("visit.visits.new-time-zone", changed.after().getId()));
        jobs.scheduleIfNotExists(
                new TaskInstance<>(
                        VisitJobs.SUMS,
                        UUID.randomUUID().toString(),
                        new VisitJobs.Job(changed.business().value())),
                clock.instant().plus(KNOWN_AFTER));
    }
}
