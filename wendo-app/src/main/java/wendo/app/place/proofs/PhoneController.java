package wendo.app.place.proofs;

import jakarta.servlet.http.Cookie;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.servlet.ModelAndView;
import wendo.app.platform.business.BusinessScope;
import wendo.app.platform.site.CallLimit;
import wendo.app.platform.site.ViewRecord;
import wendo.app.visit.visits.ProofBook;

/** Where a phone joins a proof, on the link host. Anybody can call it; a token lets in to its own proof only. */
@Controller
class PhoneController {
    private final Proofs proofs;
    private final ProofQueries queries;
    private final BusinessScope scope;
    private final Clock clock;
    private final CallLimit limit = new CallLimit(120);

    PhoneController(Proofs proofs, ProofQueries queries, BusinessScope scope, Clock clock) {
        this.proofs = proofs;
        this.queries = queries;
        this.scope = scope;
        this.clock = clock;
    }

    record PhonePage(String token, Instant openUntil, boolean isOpen, List<Checklist> lists) {}

    @GetMapping("/t/proofs/{token}")
    ModelAndView join(@PathVariable String token, HttpServletRequest request, HttpServletResponse response) {
        ModelAndView page = show("place/proofs/phone", token, request);
        if (page.getStatus() == null) {
            Duration left =
                    Duration.between(clock.instant(), (Instant) page.getModel().get("openUntil"));
            response.addCookie(cookie(token, left, request.isSecure()));
        }
        response.setHeader("Cache-Control", "no-store");
        response.setHeader("X-Robots-Tag", "noindex");
        return page;
    }

    @GetMapping("/t/proofs/{token}/checklist")
    ModelAndView checklist(@PathVariable String token, HttpServletRequest request, HttpServletResponse response) {
        response.setHeader("Cache-Control", "no-store");
        return show("place/proofs/checklist :: checklist", token, request);
    }

    private ModelAndView show(String view, String token, HttpServletRequest request) {
        Optional<Proofs.Shown> shown = limit.allows(request.getRemoteAddr()) && token.length() <= 40
                ? proofs.findShown(token).filter(found -> clock.instant().isBefore(found.openUntil()))
                : Optional.empty();
        if (shown.isEmpty()) {
            ModelAndView over = new ModelAndView("place/proofs/over");
            over.setStatus(HttpStatus.NOT_FOUND);
            return over;
        }
        return ViewRecord.of(
                view,
                new PhonePage(
                        token,
                        shown.get().openUntil(),
                        true,
                        scope.within(
                                shown.get().business(),
                                () -> queries.happened(shown.get().proof()).stream()
                                        .map(Checklist::of)
                                        .toList())));
    }

    /** The phone's visits count again. */
    @PostMapping("/t/proofs/leave")
    ModelAndView leave(HttpServletRequest request, HttpServletResponse response) {
        response.addCookie(cookie("", Duration.ZERO, request.isSecure()));
        return new ModelAndView("place/proofs/over");
    }

    private static Cookie cookie(String token, Duration kept, boolean secure) {
        Cookie cookie = new Cookie(ProofBook.COOKIE, token);
        cookie.setHttpOnly(true);
        cookie.setSecure(secure);
        cookie.setPath("/");
        cookie.setMaxAge((int) kept.toSeconds());
        cookie.setAttribute("SameSite", "Lax");
        return cookie;
    }
}
