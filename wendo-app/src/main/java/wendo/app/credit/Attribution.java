package wendo.app.credit;

import com.github.kagkarlsson.scheduler.SchedulerClient;
import java.time.Clock;
import java.util.EnumMap;
import java.util.Map;
import java.util.Optional;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import wendo.app.platform.business.EditedVersion;
import wendo.app.platform.site.Texts;
import wendo.app.prepare.sources.ChannelWindows;
import wendo.core.credit.LookbackWindows;
import wendo.core.credit.ModelRules;
import wendo.core.outcomes.OutcomeKind;

/** The rules that the current business credits by. */
@Service
public class Attribution {
    private final ModelSettings settings;
    private final ChannelWindows windows;
    private final CreditEditions editions;
    private final JourneyStore journeys;
    private final SchedulerClient jobs;
    private final Clock clock;

    Attribution(
            ModelSettings settings,
            ChannelWindows windows,
            CreditEditions editions,
            JourneyStore journeys,
            SchedulerClient jobs,
            Clock clock) {
        this.settings = settings;
        this.windows = windows;
        this.editions = editions;
        this.journeys = journeys;
        this.jobs = jobs;
        this.clock = clock;
    }

    @Transactional(readOnly = true)
    ModelRules rules() {
        return settings.current();
    }

    @Transactional(readOnly = true)
    int version() {
        return settings.version();
    }

    @Transactional(readOnly = true)
    LookbackWindows windows() {
        return windows.current();
    }

    @Transactional(readOnly = true)
    Optional<CreditEditions.Progress> progress() {
        return editions.find();
    }

    /** What the data-driven models rest on. */
    @Transactional(readOnly = true)
    Map<OutcomeKind, JourneyStore.Size> learned() {
        Map<OutcomeKind, JourneyStore.Size> learned = new EnumMap<>(OutcomeKind.class);
        for (OutcomeKind kind : OutcomeKind.values()) {
            learned.put(kind, journeys.size(kind));
        }
        return learned;
    }

    /** Saves the rules; all credit is recalculated if they differ from before. */
    @Transactional
    void change(EditedVersion edited, ModelRules rules) {
        if (!rules.equals(settings.current())) {
            settings.change(edited, rules);
            CreditRecalculation.ask(jobs, editions, Texts.kept("credit.model-rules-changed"), clock);
        }
    }

    /** Recalculates all credit of the current business in the background. */
    @Transactional
    public void anew(String why) {
        CreditRecalculation.ask(jobs, editions, why, clock);
    }
}
