package wendo.core.credit;

import java.util.List;
import java.util.stream.IntStream;

/**
 * A part to the first touch, a part to the last, what is left in equal parts to those between. Of two touches each has
 * half, whatever the parts; one has all. Common practice; 40 % and 40 % are the usual parts, from memory.
 */
public record PositionBased(int firstPercent, int lastPercent) implements AttributionModel {

    public PositionBased {
        if (firstPercent < 0 || lastPercent < 0 || firstPercent + lastPercent > 100) {
            throw new IllegalArgumentException(
                    "The parts of the first and the last touch must be 0 to 100 %% together, but were %d and %d"
                            .formatted(firstPercent, lastPercent));
        }
    }

    public static PositionBased usual() {
        return new PositionBased(40, 40);
    }

    @Override
    public ModelName name() {
        return ModelName.POSITION_BASED;
    }

    @Override
    public List<Long> weigh(Trail trail) {
        int touches = trail.touches().size();
        int between = touches - 2;
        if (between <= 0 || firstPercent + lastPercent == 0) {
            return Weights.equal(touches);
        }
        return IntStream.range(0, touches)
                .mapToObj(i -> {
                    if (i == 0) {
                        return (long) firstPercent * between;
                    }
                    return i == touches - 1 ? (long) lastPercent * between : 100L - firstPercent - lastPercent;
                })
                .toList();
    }
}
