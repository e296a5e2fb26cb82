package wendo.app.lead.forms;

import jakarta.servlet.http.Cookie;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.time.Duration;
import java.util.Locale;
import org.springframework.http.ResponseCookie;
import wendo.app.issue.links.LinkDirectory;

/**
 * How often a browser looked at a link before it was asked, and whether it has answered: a first-party cookie, each link
 * counting for itself.
 */
record FormLooks(HttpServletRequest request, HttpServletResponse response) {
    private static final String NAME = "wlooks-";
    private static final String DONE = "done";
    private static final Duration KEPT_FOR = Duration.ofDays(90);

    /** Whether this visitor is led on without being asked: too few looks yet, or they have answered. */
    boolean goesOn(Forms.Shown shown, boolean keepsCookie) {
        String looks = find();
        boolean isAsked = shown.shows().equals("first") || shown.shows().equals("after");
        if (shown.shows().equals("never") || isAsked && looks.equals(DONE)) {
            return true;
        }
        int seen = looks.matches("\\d{1,2}") ? Integer.parseInt(looks) : 0;
        if (!shown.shows().equals("after") || seen >= shown.looks() || !keepsCookie) {
            return false;
        }
        remember(String.valueOf(seen + 1));
        return true;
    }

    void done() {
        remember(DONE);
    }

    private String name() {
        String at = request.getParameter("at");
        return NAME + Integer.toHexString((at == null ? "" : at.toLowerCase(Locale.ROOT)).hashCode());
    }

    private String find() {
        for (Cookie cookie : request.getCookies() == null ? new Cookie[0] : request.getCookies()) {
            if (cookie.getName().equals(name())) {
                return cookie.getValue();
            }
        }
        return "";
    }

    private void remember(String value) {
        response.addHeader(
                "Set-Cookie",
                ResponseCookie.from(name(), value)
                        .path(LinkDirectory.FORM_PATH)
                        .maxAge(KEPT_FOR)
                        .httpOnly(true)
                        .sameSite("Lax")
                        .secure(request.isSecure())
                        .build()
                        .toString());
    }
}
