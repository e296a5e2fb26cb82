package wendo.app.outcomes;

/** The road by which an outcome came in. */
public enum Reporter {
    SITE_TAG("site-tag", false),
    IMAGE("image", false),
    SERVER("server", true),
    PERSON("person", true);

    private final String key;
    private final boolean mayChange;

    Reporter(String key, boolean mayChange) {
        this.key = key;
        this.mayChange = mayChange;
    }

    String key() {
        return key;
    }

    /** Whether its news may change what is known; what anybody can send from a browser may only add. */
    boolean mayChange() {
        return mayChange;
    }
}
