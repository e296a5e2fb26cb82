package wendo.app.redirect;

import java.util.function.BiConsumer;

/** The headers of a redirect: a temporary one that nothing keeps leaves the next visit to us (RFC 9110, 15.4.3). */
final class LedHeaders {
    private LedHeaders() {}

    static void of(Answer.Led led, BiConsumer<String, String> header) {
        header.accept("Location", led.location());
        header.accept("Cache-Control", "no-store");
        header.accept("Referrer-Policy", "no-referrer-when-downgrade");
        if (!led.cookie().isEmpty()) {
            header.accept("Set-Cookie", led.cookie());
        }
    }
}
