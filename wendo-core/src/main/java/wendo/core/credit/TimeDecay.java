package wendo.core.credit;

import java.time.Duration;
import java.util.List;

/**
 * A touch's weight is {@code 2^(−age ÷ half-life)}, its age being how long before the outcome it was. Common practice; 7
 * days are the usual half-life, from memory.
 */
public record TimeDecay(Duration halfLife) implements AttributionModel {
    /** Weights are whole numbers: the latest touch has at most this. Those too old to reach 1 have 1. */
    private static final double UNIT = 0x1p40;

    public TimeDecay {
        if (halfLife.isNegative() || halfLife.isZero()) {
            throw new IllegalArgumentException("The half-life must be above 0, but was " + halfLife);
        }
    }

    public static TimeDecay usual() {
        return new TimeDecay(Duration.ofDays(7));
    }

    @Override
    public ModelName name() {
        return ModelName.TIME_DECAY;
    }

    @Override
    public List<Long> weigh(Trail trail) {
        return trail.touches().stream()
                .map(touch -> {
                    double age = Duration.between(touch.startedAt(), trail.outcomeAt())
                            .toMillis();
                    return Math.max(1, Math.round(UNIT * Math.pow(2, -age / halfLife.toMillis())));
                })
                .toList();
    }
}
