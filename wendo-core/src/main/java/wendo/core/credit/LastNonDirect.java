package wendo.core.credit;

import java.util.List;

/** All credit to the latest touch that a source brought; to the latest of all if none did. Common practice. */
public record LastNonDirect() implements AttributionModel {

    @Override
    public ModelName name() {
        return ModelName.LAST_NON_DIRECT;
    }

    @Override
    public List<Long> weigh(Trail trail) {
        int touches = trail.touches().size();
        int place = touches - 1;
        while (place >= 0 && trail.touches().get(place).isDirect()) {
            place--;
        }
        return Weights.only(place < 0 ? touches - 1 : place, touches);
    }
}
