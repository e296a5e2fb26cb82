package wendo.core.credit;

import java.time.Duration;
import java.util.List;

/**
 * How a business wants the models to share.
 *
 * @param creditsAgain whether a booking or purchase that continues a lead is credited by its own trail, instead of
 *     taking the lead's credit
 */
public record ModelRules(int firstPercent, int lastPercent, int halfLifeDays, boolean creditsAgain) {
    public static final int MAX_HALF_LIFE_DAYS = 365;

    public ModelRules {
        new PositionBased(firstPercent, lastPercent); // refuses parts that are none
        if (halfLifeDays < 1 || halfLifeDays > MAX_HALF_LIFE_DAYS) {
            throw new IllegalArgumentException(
                    "The half-life must be 1 to %d days, but was %d".formatted(MAX_HALF_LIFE_DAYS, halfLifeDays));
        }
    }

    public static ModelRules usual() {
        return new ModelRules(40, 40, 7, false);
    }

    /** The models that need no more than a trail. */
    public List<AttributionModel> models() {
        return List.of(
                new LastTouch(),
                new LastNonDirect(),
                new FirstTouch(),
                new Linear(),
                new PositionBased(firstPercent, lastPercent),
                new TimeDecay(Duration.ofDays(halfLifeDays)));
    }
}
