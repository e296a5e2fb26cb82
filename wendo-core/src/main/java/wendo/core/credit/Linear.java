package wendo.core.credit;

import java.util.List;

/** The same to each touch: 1/n. Common practice. */
public record Linear() implements AttributionModel {

    @Override
    public ModelName name() {
        return ModelName.LINEAR;
    }

    @Override
    public List<Long> weigh(Trail trail) {
        return Weights.equal(trail.touches().size());
    }
}
