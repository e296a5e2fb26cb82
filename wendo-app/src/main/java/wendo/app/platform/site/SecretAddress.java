package wendo.app.platform.site;

import jakarta.servlet.http.HttpServletResponse;

/** A page that opens to whoever knows its address: nobody keeps it, finds it by searching, or passes its address on. */
public final class SecretAddress {
    private SecretAddress() {}

    public static void guard(HttpServletResponse response) {
        response.setHeader("Cache-Control", "private, no-store");
        response.setHeader("X-Robots-Tag", "noindex, nofollow");
        response.setHeader("Referrer-Policy", "no-referrer");
    }
}
