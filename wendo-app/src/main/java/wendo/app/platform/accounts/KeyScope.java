package wendo.app.platform.accounts;

import java.util.Arrays;
import java.util.Locale;
import java.util.Optional;

/** What a key for programs may do. */
public enum KeyScope {
    ALL("everything"),
    REPORT("report outcomes, and nothing else"),
    READ("read, and change nothing");

    private final String words;

    KeyScope(String words) {
        this.words = words;
    }

    public static Optional<KeyScope> find(String key) {
        return Arrays.stream(values()).filter(scope -> scope.key().equals(key)).findFirst();
    }

    public String key() {
        return name().toLowerCase(Locale.ROOT);
    }

    public String words() {
        return words;
    }
}
