package wendo.core.credit;

import java.util.Arrays;
import java.util.Locale;
import java.util.Optional;

/** The attribution models there are, in the order they are shown. */
public enum ModelName {
    LAST_TOUCH("Last touch", "all to the latest touch"),
    LAST_NON_DIRECT("Last non-direct", "all to the latest touch that a source brought"),
    FIRST_TOUCH("First touch", "all to the earliest touch"),
    LINEAR("Linear", "the same to each touch"),
    POSITION_BASED("Position-based", "most to the first and the last touch, the rest to those between"),
    TIME_DECAY("Time-decay", "more to what was nearer to the outcome"),
    MARKOV("Markov", "by how many outcomes would be lost without the source"),
    SHAPLEY("Shapley", "by what each source added to those it came with");

    private final String label;
    private final String rule;

    ModelName(String label, String rule) {
        this.label = label;
        this.rule = rule;
    }

    public static Optional<ModelName> find(String key) {
        return Arrays.stream(values()).filter(one -> one.key().equals(key)).findFirst();
    }

    /** As it stands in addresses and in the API. */
    public String key() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    public String label() {
        return label;
    }

    /** Its name within a sentence: two of them are those of people. */
    public String spoken() {
        return isDataDriven() ? label : label.toLowerCase(Locale.ROOT);
    }

    /** What it does, in a few words. */
    public String rule() {
        return rule;
    }

    /** Whether it rests on the journeys of people rather than on a fixed rule. */
    public boolean isDataDriven() {
        return this == MARKOV || this == SHAPLEY;
    }
}
