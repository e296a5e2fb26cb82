package wendo.app.platform.site;

import jakarta.servlet.http.HttpServletRequest;
import java.util.Set;

/** The greatest body that is read, in bytes, before it is known who sends it. */
public final class BodyLimit {
    public static final int TAG_CALL = 4096; // what the site tag sends is smaller
    public static final int API = 5 * 1024 * 1024; // 500 outcomes with all they may tell
    private static final int SIGN_IN = 10 * 1024;
    private static final int NEWS = 64 * 1024; // of messages: a reply of 2,000 characters, and room
    private static final int FORM = 256 * 1024; // an entry form with all its fields full
    private static final Set<String> TAG_CALLS =
            Set.of("/t/outcomes", "/t/landings", "/t/arrivals", "/t/outgoing", "/t/tag-consents");

    private BodyLimit() {}

    static int of(HttpServletRequest request) {
        String path = request.getRequestURI();
        if (TAG_CALLS.contains(path)) {
            return TAG_CALL;
        }
        if (path.startsWith("/t/forms/")) {
            return FORM;
        }
        return path.startsWith("/t/") ? NEWS : SIGN_IN;
    }
}
