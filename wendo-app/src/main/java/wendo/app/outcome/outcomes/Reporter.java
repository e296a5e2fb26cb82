package wendo.app.outcome.outcomes;

import java.util.Arrays;
import wendo.app.platform.site.Texts;

/** The way by which an outcome was reported. */
public enum Reporter {
    SITE_TAG("site-tag", "outcome.outcomes.reporter.the-site-tag", false),
    IMAGE("image", "outcome.outcomes.reporter.an-image-on-your-site", false),
    SERVER("server", "outcome.outcomes.reporter.your-server", true),
    PERSON("person", "outcome.outcomes.reporter.a-colleague", true),
    FORM("form", "outcome.outcomes.reporter.an-entry-form", false),
    FILE("file", "outcome.outcomes.reporter.a-file", true),
    OPT_IN("opt-in", "outcome.outcomes.reporter.a-newsletter-link", false),
    POSTBACK("postback", "outcome.outcomes.reporter.a-partner-network", true);

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
        return Texts.of(words);
    }

    /** Whether its news may change what is known; what anybody can send from a browser may only add. */
    boolean mayChange() {
        return mayChange;
    }
}
