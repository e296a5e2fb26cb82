package wendo.app.platform.accounts;

import java.util.Arrays;
import java.util.Locale;
import java.util.Optional;
import wendo.app.platform.site.Texts;

/** What a key for programs may do. */
public enum KeyScope {
    ALL("platform.accounts.key-scope.everything"),
    REPORT("platform.accounts.key-scope.report-outcomes-only"),
    READ("platform.accounts.key-scope.read-only");

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
        return Texts.of(words);
    }
}
