package wendo.app.visit.visits;

import jakarta.servlet.http.Cookie;
import jakarta.servlet.http.HttpServletRequest;
import java.time.Instant;
import java.util.Optional;
import java.util.UUID;
import org.springframework.web.util.WebUtils;

/** Knows which arrivals are somebody's own test. */
public interface ProofBook {
    /** The browser of somebody who proves a link carries the proof's token in this cookie, on the link host. */
    String COOKIE = "wendo_proof";

    int MAX_TOKEN = 40;

    /** The proof of the current business that the browser which asks takes part in. */
    default Optional<UUID> of(HttpServletRequest request, Instant at) {
        Cookie cookie = WebUtils.getCookie(request, COOKIE);
        return cookie == null || cookie.getValue().length() > MAX_TOKEN
                ? Optional.empty()
                : find(cookie.getValue(), at);
    }

    /** The proof of the current business that this token opened, if it was open at the time. */
    Optional<UUID> find(String token, Instant at);
}
