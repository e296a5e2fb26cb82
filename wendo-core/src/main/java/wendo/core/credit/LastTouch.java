package wendo.core.credit;

import java.util.List;

/** All credit to the latest touch before the outcome. Common practice. */
public record LastTouch() implements AttributionModel {

    @Override
    public ModelName name() {
        return ModelName.LAST_TOUCH;
    }

    @Override
    public List<Long> weigh(Trail trail) {
        int touches = trail.touches().size();
        return Weights.only(touches - 1, touches);
    }
}
