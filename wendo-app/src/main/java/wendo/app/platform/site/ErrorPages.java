package wendo.app.platform.site;

import jakarta.persistence.OptimisticLockException;
import jakarta.servlet.RequestDispatcher;
import jakarta.servlet.http.HttpServletRequest;
import java.nio.charset.StandardCharsets;
import java.security.SecureRandom;
import java.util.HexFormat;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.boot.webmvc.error.ErrorController;
import org.springframework.dao.OptimisticLockingFailureException;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ProblemDetail;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.servlet.ModelAndView;

/** The page for what went wrong. A fault of ours carries a reference number that also stands in the log. */
@Controller
class ErrorPages implements ErrorController {
    private static final Logger LOG = LoggerFactory.getLogger(ErrorPages.class);

    private final SecureRandom random = new SecureRandom();
    private final ObjectProvider<OwnErrorPage> ownPages;

    ErrorPages(ObjectProvider<OwnErrorPage> ownPages) {
        this.ownPages = ownPages;
    }

    /** A page for people; problem details for programs. */
    @RequestMapping("/error")
    Object answer(HttpServletRequest request) {
        HttpStatus status = status(request);
        String path = String.valueOf(request.getAttribute(RequestDispatcher.ERROR_REQUEST_URI));
        String reference = status.is5xxServerError() ? record(request, status, path) : "";
        if (path.startsWith("/t/") && status.is4xxClientError() && wantsPage(request)) {
            return ownPage(request, status)
                    .<Object>map(page -> ResponseEntity.status(status)
                            .contentType(new MediaType(MediaType.TEXT_HTML, StandardCharsets.UTF_8))
                            .body(page))
                    .orElseGet(() -> page(status, reference));
        }
        return path.startsWith("/api/") || path.startsWith("/t/")
                ? problem(status, reference)
                : page(status, reference);
    }

    /** A visitor's browser, which followed an address that leads nowhere; programs ask for no page. */
    private static boolean wantsPage(HttpServletRequest request) {
        String accept = request.getHeader("Accept");
        return accept != null && accept.contains("text/html");
    }

    private Optional<String> ownPage(HttpServletRequest request, HttpStatus status) {
        return status == HttpStatus.NOT_FOUND
                ? ownPages.orderedStream()
                        .flatMap(own -> own
                                .of(
                                        request.getServerName(),
                                        Objects.requireNonNullElse(request.getHeader("Accept-Language"), ""))
                                .stream())
                        .findFirst()
                : Optional.empty();
    }

    private static ModelAndView page(HttpStatus status, String reference) {
        ModelAndView page =
                new ModelAndView("platform/site/fault", Map.of("status", status.value(), "reference", reference));
        page.setStatus(status);
        return page;
    }

    private static ResponseEntity<ProblemDetail> problem(HttpStatus status, String reference) {
        ProblemDetail problem = ProblemDetail.forStatus(status);
        if (!reference.isEmpty()) {
            problem.setDetail(Texts.of("platform.site.this-is-our-fault-try"));
            problem.setProperty("reference", reference);
        }
        return ResponseEntity.status(status)
                .contentType(MediaType.APPLICATION_PROBLEM_JSON)
                .body(problem);
    }

    private static HttpStatus status(HttpServletRequest request) {
        if (isConflict(request.getAttribute(RequestDispatcher.ERROR_EXCEPTION))) {
            return HttpStatus.CONFLICT;
        }
        Object code = request.getAttribute(RequestDispatcher.ERROR_STATUS_CODE);
        HttpStatus status = code instanceof Integer number ? HttpStatus.resolve(number) : HttpStatus.NOT_FOUND;
        return status == null ? HttpStatus.INTERNAL_SERVER_ERROR : status;
    }

    /** Two people changed one thing at the very same moment, where no form asks what to do about it. */
    private static boolean isConflict(@Nullable Object fault) {
        for (Object one = fault; one instanceof Throwable thrown; one = thrown.getCause()) {
            if (one instanceof OptimisticLockingFailureException || one instanceof OptimisticLockException) {
                return true;
            }
        }
        return false;
    }

    /** Logs the path without its query, which may hold names and addresses of people. */
    private String record(HttpServletRequest request, HttpStatus status, String path) {
        byte[] bytes = new byte[4];
        random.nextBytes(bytes);
        String reference = HexFormat.of().formatHex(bytes);
        Object method = request.getAttribute(RequestDispatcher.ERROR_METHOD);
        Throwable cause = (Throwable) request.getAttribute(RequestDispatcher.ERROR_EXCEPTION);
        LOG.error("Fault {}: {} on {} {}", reference, status.value(), method, path, cause);
        return reference;
    }
}
