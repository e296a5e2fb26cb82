package wendo.app.outcomes;

/** The road by which an outcome came in. */
public enum Reporter {
    SITE_TAG("site-tag"),
    SERVER("server");

    private final String key;

    Reporter(String key) {
        this.key = key;
    }

    String key() {
        return key;
    }
}
