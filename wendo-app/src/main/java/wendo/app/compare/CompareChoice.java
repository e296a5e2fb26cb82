package wendo.app.compare;

import java.util.Optional;
import wendo.core.credit.ModelName;
import wendo.core.outcomes.OutcomeKind;

/**
 * What a comparison looks at, as it stands in the address beside the period.
 *
 * @param kind the outcome that sources are judged by
 */
public record CompareChoice(OutcomeKind kind, ModelName model, CreditClock clock) {
    /** What all screens that name one source for an outcome go by. */
    public static final ModelName USUAL_MODEL = ModelName.LAST_NON_DIRECT;

    public static CompareChoice usual() {
        return new CompareChoice(OutcomeKind.BOOKING, USUAL_MODEL, CreditClock.OUTCOME);
    }

    /** Reads an address's parameters; what it does not know is as usual. */
    static CompareChoice of(Optional<String> kind, Optional<String> model, Optional<String> clock) {
        CompareChoice usual = usual();
        return new CompareChoice(
                kind.flatMap(OutcomeKind::find).orElse(usual.kind()),
                model.flatMap(ModelName::find).orElse(usual.model()),
                clock.flatMap(CreditClock::find).orElse(usual.clock()));
    }

    public CompareChoice with(OutcomeKind other) {
        return new CompareChoice(other, model, clock);
    }

    public CompareChoice with(ModelName other) {
        return new CompareChoice(kind, other, clock);
    }

    public CompareChoice with(CreditClock other) {
        return new CompareChoice(kind, model, other);
    }

    /** As it stands in an address, after a period. */
    public String query() {
        return "&kind=%s&model=%s&clock=%s".formatted(kind.key(), model.key(), clock.key());
    }
}
