package wendo.app.money.targets;

import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import wendo.core.outcomes.OutcomeKind;

/**
 * What is aimed for.
 *
 * @param ceilingMinor the most that one of a kind may cost, in minor units; a kind without one is absent
 * @param marginPercent what is left of a value when what was sold is paid for
 */
public record Target(Map<OutcomeKind, Long> ceilingMinor, OptionalInt marginPercent) {
    public static final Target NONE = new Target(Map.of(), OptionalInt.empty());

    public Target {
        ceilingMinor = Map.copyOf(ceilingMinor);
    }

    public Optional<Long> ceilingMinor(OutcomeKind kind) {
        return Optional.ofNullable(ceilingMinor.get(kind));
    }

    public boolean isNone() {
        return equals(NONE);
    }
}
