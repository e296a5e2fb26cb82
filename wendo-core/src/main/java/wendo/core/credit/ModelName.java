package wendo.core.credit;

import java.util.Arrays;
import java.util.Locale;
import java.util.Optional;

/** The attribution models there are, in the order they are shown. */
public enum ModelName {
    LAST_TOUCH,
    LAST_NON_DIRECT,
    FIRST_TOUCH,
    LINEAR,
    POSITION_BASED,
    TIME_DECAY,
    MARKOV,
    SHAPLEY;

    public static Optional<ModelName> find(String key) {
        return Arrays.stream(values()).filter(one -> one.key().equals(key)).findFirst();
    }

    /** As it stands in addresses and in the API. */
    public String key() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    /** Whether it rests on the journeys of people rather than on a fixed rule. */
    public boolean isDataDriven() {
        return this == MARKOV || this == SHAPLEY;
    }
}
