package wendo.app.credit;

import java.sql.Timestamp;
import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import wendo.app.prepare.sources.ChannelWindows;
import wendo.core.credit.AttributionModel;
import wendo.core.credit.CreditableTouches;
import wendo.core.credit.LookbackWindows;
import wendo.core.credit.ModelRules;
import wendo.core.credit.Trail;
import wendo.core.links.Channel;
import wendo.core.outcomes.Clue;
import wendo.core.outcomes.Evidence;
import wendo.core.outcomes.OutcomeKind;
import wendo.core.visits.ClickId;
import wendo.core.visits.Touch;

/** Credits many outcomes at once, under every model. Runs in the transaction of its caller. */
@Component
class CreditWork {
    private final DueOutcomes dueOutcomes;
    private final TouchStore touches;
    private final ClueStore clues;
    private final CreditRows rows;
    private final ModelSettings settings;
    private final JourneyStore journeys;
    private final ChannelWindows windows;
    private final JdbcClient jdbc;
    private final Clock clock;

    CreditWork(
            DueOutcomes dueOutcomes,
            TouchStore touches,
            ClueStore clues,
            CreditRows rows,
            ModelSettings settings,
            JourneyStore journeys,
            ChannelWindows windows,
            JdbcClient jdbc,
            Clock clock) {
        this.dueOutcomes = dueOutcomes;
        this.touches = touches;
        this.clues = clues;
        this.rows = rows;
        this.settings = settings;
        this.journeys = journeys;
        this.windows = windows;
        this.jdbc = jdbc;
        this.clock = clock;
    }

    /** By the rules that hold now. */
    private record Rules(
            LookbackWindows windows,
            ModelRules own,
            Map<OutcomeKind, JourneyStore.DataDriven> learned,
            Map<UUID, Channel> channels,
            Instant keptSince) {
        List<AttributionModel> models(OutcomeKind kind) {
            List<AttributionModel> all = new ArrayList<>(own.models());
            Optional.ofNullable(learned.get(kind)).ifPresent(data -> all.addAll(data.models()));
            return all;
        }
    }

    /**
     * The leads first, for what continues them takes what they earned.
     *
     * @param standing the edition that tells of what is forgotten
     */
    void credit(List<UUID> outcomes, long edition, long standing) {
        Rules rules = new Rules(windows.current(), settings.current(), journeys.models(), channels(), keptSince());
        List<DueOutcome> all = dueOutcomes.find(outcomes);
        List<DueOutcome> leads =
                all.stream().filter(due -> due.kind() == OutcomeKind.LEAD).toList();
        List<DueOutcome> others =
                all.stream().filter(due -> due.kind() != OutcomeKind.LEAD).toList();
        credit(leads, rules, edition, standing);
        credit(others, rules, edition, standing);
    }

    /** Visits before this are deleted, or will be in the coming night. */
    private Instant keptSince() {
        return jdbc.sql("""
                        select (date_trunc('month', cast(:now as timestamptz) at time zone zone)
                            - make_interval(months => keeps_visits_months)) at time zone zone from business
                        """)
                .param("now", Timestamp.from(clock.instant()))
                .query((row, number) -> row.getTimestamp(1).toInstant())
                .single();
    }

    private Map<UUID, Channel> channels() {
        Map<UUID, Channel> channels = new HashMap<>();
        jdbc.sql("select id, channel from source").query(row -> {
            channels.put(row.getObject(1, UUID.class), Channel.valueOf(row.getString(2)));
        });
        return channels;
    }

    private void credit(List<DueOutcome> due, Rules rules, long edition, long standing) {
        if (due.isEmpty()) {
            return;
        }
        Map<UUID, List<TouchStore.Step>> steps = touches.before(
                due.stream().map(DueOutcome::id).toList(), rules.windows().longest(), rules.channels());
        Map<UUID, CreditedTrail> leads = rules.own().creditsAgain()
                ? Map.of()
                : rows.trails(
                        due.stream().flatMap(one -> one.follows().stream()).toList(), edition);
        addForgotten(due, steps, rules, standing);
        Map<DueOutcome, CreditedTrail> trails = new LinkedHashMap<>();
        // A lead's credit goes on to what continues it, unless somebody knows better.
        for (DueOutcome one : due) {
            List<TouchStore.Step> own = steps.getOrDefault(one.id(), List.of());
            Optional<Clue> best = clues(one, own, rules);
            boolean isSet = best.filter(clue -> clue.evidence() == Evidence.SET).isPresent();
            Optional<CreditedTrail> lead = one.follows().map(leads::get).filter(found -> !isSet);
            trails.put(one, lead.orElseGet(() -> trail(one, own, best, rules)));
        }
        rows.replace(edition, trails);
    }

    /**
     * Where visits before an outcome may be deleted already, the journey that is kept with its credit takes their
     * place.
     */
    private void addForgotten(
            List<DueOutcome> due, Map<UUID, List<TouchStore.Step>> steps, Rules rules, long standing) {
        List<UUID> old = due.stream()
                .filter(one -> one.occurredAt()
                        .isBefore(rules.keptSince().plus(rules.windows().longest())))
                .map(DueOutcome::id)
                .toList();
        if (old.isEmpty()) {
            return;
        }
        rows.came(old, standing, rules.channels()).forEach((outcome, came) -> {
            List<TouchStore.Step> own = steps.computeIfAbsent(outcome, id -> new ArrayList<>());
            came.stream()
                    .filter(step -> own.stream().noneMatch(known -> isSame(known.step(), step.step())))
                    .forEach(own::add);
        });
    }

    private static boolean isSame(Touch.Step one, Touch.Step other) {
        return one.id().equals(other.id())
                || (one.at().equals(other.at()) && one.source().equals(other.source()));
    }

    private static CreditedTrail trail(DueOutcome due, List<TouchStore.Step> steps, Optional<Clue> best, Rules rules) {
        Optional<CreditableTouches.Given> given = best.filter(clue -> clue.evidence() != Evidence.CLICK)
                .map(clue -> new CreditableTouches.Given(
                        clue.evidence(),
                        new Touch(
                                clue.source().orElseThrow(),
                                rules.channels().getOrDefault(clue.source().orElseThrow(), Channel.OTHER),
                                due.id(),
                                due.occurredAt())));
        Trail trail = CreditableTouches.trail(
                due.occurredAt(),
                Touch.join(steps.stream().map(TouchStore.Step::step).toList()),
                given,
                rules.windows());
        return CreditedTrail.of(trail, steps, rules.models(due.kind()));
    }

    /**
     * Keeps what came with the outcome, with the click identifier's visit if that may earn; answers the strongest
     * evidence that points to a source.
     */
    private Optional<Clue> clues(DueOutcome due, List<TouchStore.Step> steps, Rules rules) {
        List<Clue> all = new ArrayList<>(due.clues());
        steps.stream()
                .map(TouchStore.Step::step)
                .filter(step -> due.click().filter(step.id()::equals).isPresent())
                .filter(step -> !step.at()
                        .isBefore(due.occurredAt().minus(rules.windows().of(step.channel()))))
                .findFirst()
                .ifPresent(step -> all.add(
                        0,
                        new Clue(
                                Evidence.CLICK,
                                new ClickId(step.id()).toString(),
                                Optional.of(latest(due, steps, rules).orElse(step.source())))));
        clues.keepIfChanged(due.id(), all, due.kept());
        return Clue.strongest(all);
    }

    private static Optional<UUID> latest(DueOutcome due, List<TouchStore.Step> steps, Rules rules) {
        List<Touch> touches = Trail.before(
                        due.occurredAt(),
                        Touch.join(steps.stream().map(TouchStore.Step::step).toList()),
                        rules.windows())
                .touches()
                .stream()
                .filter(touch -> !touch.isDirect())
                .toList();
        return touches.isEmpty()
                ? Optional.empty()
                : Optional.of(touches.get(touches.size() - 1).source());
    }
}
