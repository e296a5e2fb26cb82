package wendo.app.platform.accounts;

/** The content security policy of every page: nothing but what ships with the application, within nobody's frame. */
public final class ContentPolicy {
    private static final String STRICT =
            "default-src 'none'; script-src 'self'; style-src 'self'; img-src 'self' data:; "
                    + "font-src 'self'; connect-src 'self'; form-action 'self'; base-uri 'none'; frame-ancestors ";

    /** No page may show it in a frame. */
    static final String ALONE = STRICT + "'none'";

    private ContentPolicy() {}

    /** @param sources who may show it in a frame, as CSP 3 writes them, a space before each */
    public static String framedBy(String sources) {
        return STRICT + "'self'" + sources;
    }
}
