package wendo.core.audience;

import java.util.Arrays;
import java.util.Locale;
import java.util.Optional;

/** How many of several rules have to hold. None of no rules is everybody, as all of no rules is; any of none is nobody. */
public enum Match {
    ALL,
    ANY,
    NONE;

    public static Optional<Match> find(String key) {
        return Arrays.stream(values()).filter(one -> one.key().equals(key)).findFirst();
    }

    public String key() {
        return name().toLowerCase(Locale.ROOT);
    }
}
