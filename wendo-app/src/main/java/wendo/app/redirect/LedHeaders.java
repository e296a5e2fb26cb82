package wendo.app.redirect;

import io.netty.handler.codec.http.HttpHeaderNames;
import io.netty.util.AsciiString;
import java.util.function.BiConsumer;

/** The headers of a redirect: a temporary one that nothing keeps leaves the next visit to us (RFC 9110, 15.4.3). */
final class LedHeaders {
    private static final CharSequence REFERRER_POLICY = AsciiString.cached("referrer-policy");

    private LedHeaders() {}

    static void of(Answer.Led led, BiConsumer<CharSequence, String> header) {
        header.accept(HttpHeaderNames.LOCATION, led.location());
        header.accept(HttpHeaderNames.CACHE_CONTROL, "no-store");
        header.accept(REFERRER_POLICY, "no-referrer-when-downgrade");
        if (!led.cookie().isEmpty()) {
            header.accept(HttpHeaderNames.SET_COOKIE, led.cookie());
        }
    }
}
