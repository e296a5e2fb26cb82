package wendo.app.lead.forms;

import java.util.Arrays;
import java.util.Locale;

/** How strictly a link's form looks at how somebody can be reached. */
enum Strictness {
    LIGHT("light: one way to reach them is enough"),
    USUAL("usual: what the form needs"),
    STRICT("strict: every contact field it asks for, and a phone number that is in use");

    private final String words;

    Strictness(String words) {
        this.words = words;
    }

    public String key() {
        return name().toLowerCase(Locale.ROOT);
    }

    public String words() {
        return words;
    }

    static Strictness of(String key) {
        return Arrays.stream(values())
                .filter(one -> one.key().equals(key))
                .findFirst()
                .orElse(USUAL);
    }
}
