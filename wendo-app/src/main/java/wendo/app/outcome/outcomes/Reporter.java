package wendo.app.outcome.outcomes;

import java.util.Arrays;

/** The road by which an outcome came in. */
public enum Reporter {
    SITE_TAG("site-tag", "the site tag", false),
    IMAGE("image", "an image on your site", false),
    SERVER("server", "your server", true),
    PERSON("person", "somebody who works here", true),
    FORM("form", "an entry form", false),
    FILE("file", "a file", true),
    POSTBACK("postback", "a partner network", true);

    private final String key;
    private final String words;
    private final boolean mayChange;

    Reporter(String key, String words, boolean mayChange) {
        this.key = key;
        this.words = words;
        this.mayChange = mayChange;
    }

    static Reporter of(String key) {
        return Arrays.stream(values())
                .filter(one -> one.key.equals(key))
                .findFirst()
                .orElseThrow();
    }

    public String key() {
        return key;
    }

    String words() {
        return words;
    }

    /** Whether its news may change what is known; what anybody can send from a browser may only add. */
    boolean mayChange() {
        return mayChange;
    }
}
