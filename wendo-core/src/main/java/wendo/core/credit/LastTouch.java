package wendo.core.credit;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;

/** All credit to the latest touch before the outcome. Common practice. */
public final class LastTouch implements AttributionModel {

    @Override
    public String key() {
        return "last-touch";
    }

    @Override
    public List<Long> weigh(Trail trail) {
        List<Long> weights = new ArrayList<>(Collections.nCopies(trail.touches().size(), 0L));
        if (!weights.isEmpty()) {
            weights.set(weights.size() - 1, 1L);
        }
        return List.copyOf(weights);
    }
}
