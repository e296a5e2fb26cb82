package wendo.app.credit;

import java.sql.Timestamp;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.jdbc.core.simple.JdbcClient;
import wendo.app.platform.business.BusinessScope;
import wendo.core.credit.Allocation;
import wendo.core.credit.Entry;
import wendo.core.credit.ModelName;

/** Rows of credit on their way into the database, column by column: one statement stores thousands. */
final class CreditInsert {
    private static final ModelName[] MODELS = ModelName.values();

    private static final String INSERT = """
            insert into credit_row
            select ?, u.outcome, ?, u.entry, u.touch, u.at, u.how, u.touched_at, u.click, u.source, u.link, %1$s
            from unnest(?::uuid[], ?::int[], ?::int[], ?::timestamptz[], ?::text[], ?::timestamptz[], ?::uuid[], ?::uuid[],
                ?::uuid[], %2$s) as u (outcome, entry, touch, at, how, touched_at, click, source, link, %1$s)
            """.formatted(
                    Stream.concat(
                                    Arrays.stream(MODELS).map(CreditColumns::share),
                                    Arrays.stream(MODELS).map(CreditColumns::minor))
                            .collect(Collectors.joining(", ")),
                    "?::int[], ".repeat(MODELS.length) + "?::bigint[], ".repeat(MODELS.length - 1) + "?::bigint[]");

    private final List<UUID> outcomes = new ArrayList<>();
    private final List<Integer> entries = new ArrayList<>();
    private final List<Integer> touches = new ArrayList<>();
    private final List<Instant> times = new ArrayList<>();
    private final List<CreditedTrail.Step> steps = new ArrayList<>();

    /** A column for each model, in their order. */
    private final List<List<Integer>> shares = columns();

    private final List<List<Long>> minors = columns();

    private static <T> List<List<T>> columns() {
        return Arrays.stream(MODELS).<List<T>>map(model -> new ArrayList<>()).toList();
    }

    void add(DueOutcome outcome, CreditedTrail trail) {
        if (trail.isEmpty()) {
            return;
        }
        for (int entry = 0; entry < outcome.entries().size(); entry++) {
            for (int touch = 0; touch < trail.steps().size(); touch++) {
                outcomes.add(outcome.id());
                entries.add(entry);
                touches.add(touch);
                times.add(outcome.entries().get(entry).at());
                steps.add(trail.steps().get(touch));
            }
        }
        trail.weights().forEach((model, weights) -> share(model, weights, outcome.entries()));
    }

    /** A reversal is the difference of the shares before and after it, so that the sum is exact to the penny. */
    private void share(ModelName model, List<Long> weights, List<Entry> changes) {
        List<Long> whole = Allocation.split(Allocation.WHOLE, weights);
        long kept = 0;
        List<Long> before = Allocation.split(0, weights);
        for (Entry entry : changes) {
            kept += entry.valueMinor();
            List<Long> after = Allocation.split(kept, weights);
            for (int touch = 0; touch < weights.size(); touch++) {
                shares.get(model.ordinal()).add((int) (entry.count() * whole.get(touch)));
                minors.get(model.ordinal()).add(after.get(touch) - before.get(touch));
            }
            before = after;
        }
    }

    void run(long edition, JdbcClient jdbc) {
        if (outcomes.isEmpty()) {
            return;
        }
        List<Object> params = new ArrayList<>(List.of(
                BusinessScope.current().value(),
                edition,
                outcomes.toArray(UUID[]::new),
                entries.toArray(Integer[]::new),
                touches.toArray(Integer[]::new),
                times.stream().map(Timestamp::from).toArray(Timestamp[]::new),
                steps.stream().map(CreditedTrail.Step::how).toArray(String[]::new),
                steps.stream().map(step -> Timestamp.from(step.at())).toArray(Timestamp[]::new),
                steps.stream().map(step -> step.click().orElse(null)).toArray(UUID[]::new),
                steps.stream().map(step -> step.source().orElse(null)).toArray(UUID[]::new)));
        params.add(steps.stream().map(step -> step.link().orElse(null)).toArray(UUID[]::new));
        shares.forEach(column -> params.add(column.toArray(Integer[]::new)));
        minors.forEach(column -> params.add(column.toArray(Long[]::new)));
        jdbc.sql(INSERT).params(params).update();
    }
}
