package wendo.core.credit;

import java.util.ArrayList;
import java.util.List;
import wendo.core.visits.Touch;

/**
 * The share of one outcome that a touch is given.
 *
 * @param shareMillionths of the outcome, 1 to 1,000,000
 * @param valueMinor of its value, in minor units
 */
public record Credit(Touch touch, long shareMillionths, long valueMinor) {

    /** The credits of an outcome under a model; they add up to one outcome and to its value. Empty without a touch. */
    public static List<Credit> divide(Trail trail, AttributionModel model, long outcomeValueMinor) {
        List<Long> weights = model.weigh(trail);
        List<Long> shares = Allocation.split(Allocation.WHOLE, weights);
        List<Long> values = Allocation.split(outcomeValueMinor, weights);
        List<Credit> credits = new ArrayList<>();
        for (int i = 0; i < weights.size(); i++) {
            if (weights.get(i) > 0) {
                credits.add(new Credit(trail.touches().get(i), shares.get(i), values.get(i)));
            }
        }
        return List.copyOf(credits);
    }
}
