package wendo.app.linkhost.redirect;

import io.netty.util.AsciiString;
import java.util.function.BiConsumer;

/** The headers of a redirect: a temporary one that nothing keeps leaves the next visit to us (RFC 9110, 15.4.3). */
final class RedirectHeaders {
    private static final AsciiString LOCATION = AsciiString.cached("Location");
    private static final AsciiString CACHE_CONTROL = AsciiString.cached("Cache-Control");
    private static final AsciiString REFERRER_POLICY = AsciiString.cached("Referrer-Policy");
    private static final AsciiString SET_COOKIE = AsciiString.cached("Set-Cookie");

    private RedirectHeaders() {}

    static void of(LinkResponse.Redirect led, BiConsumer<CharSequence, String> header) {
        header.accept(LOCATION, led.location());
        header.accept(CACHE_CONTROL, "no-store");
        header.accept(REFERRER_POLICY, "no-referrer-when-downgrade");
        if (!led.cookie().isEmpty()) {
            header.accept(SET_COOKIE, led.cookie());
        }
    }
}
