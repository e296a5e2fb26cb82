package wendo.core.credit;

import java.util.List;

/** All credit to the earliest touch of the trail. Common practice. */
public record FirstTouch() implements AttributionModel {

    @Override
    public ModelName name() {
        return ModelName.FIRST_TOUCH;
    }

    @Override
    public List<Long> weigh(Trail trail) {
        return Weights.only(0, trail.touches().size());
    }
}
