package wendo.app.linkhost.redirect;

/** A request to a link host, whichever server took it. What is absent is empty text. */
interface LinkRequest {
    String method();

    /** The name that was asked for, without port. */
    String host();

    /** As it came: not decoded, beginning with a slash. */
    String path();

    /** As it came, without the question mark. */
    String query();

    String header(String name);

    /** The visitor's network address, in numbers. */
    String address();

    boolean isSecure();
}
