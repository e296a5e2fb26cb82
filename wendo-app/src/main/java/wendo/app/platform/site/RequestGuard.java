package wendo.app.platform.site;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import jakarta.servlet.http.HttpSession;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.Set;
import java.util.concurrent.Semaphore;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.core.annotation.Order;
import org.springframework.http.MediaType;
import org.springframework.security.web.context.HttpSessionSecurityContextRepository;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;
import org.springframework.web.util.UriUtils;

/**
 * Stands before all pages, behind the link hosts. Pages take a part of the server's threads only, so that links always
 * have some. What somebody sends who is not signed in is read here: up to a limit, within a deadline, as plain text.
 */
@Component
@Order(RequestGuard.BEHIND_SESSIONS)
class RequestGuard extends OncePerRequestFilter {
    static final int BEHIND_SESSIONS = Integer.MIN_VALUE + 60; // Spring Session's filter is at MIN_VALUE + 50

    private static final Logger LOG = LoggerFactory.getLogger(RequestGuard.class);
    private static final Set<String> WITH_BODY = Set.of("POST", "PUT", "PATCH", "DELETE");

    /** Of 240 threads (server.tomcat.threads.max); links keep the others. */
    private static final int THREADS_OF_PAGES = 160;

    private final Semaphore threads = new Semaphore(THREADS_OF_PAGES);

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        if (!threads.tryAcquire()) {
            response.setHeader("Retry-After", "5");
            answer(response, 503, Texts.of("platform.site.too-much-is-asked-for"));
            return;
        }
        try {
            chain.doFilter(guarded(request), response);
        } catch (BodyReader.Refused e) {
            response.setHeader("Connection", "close"); // what is left of the body is not read
            answer(response, e.status(), String.valueOf(e.getMessage()));
        } finally {
            threads.release();
        }
    }

    private static HttpServletRequest guarded(HttpServletRequest request) throws IOException {
        if (!isPlain(request.getQueryString())) {
            throw new BodyReader.Refused(400, PlainText.fault());
        }
        String path = request.getRequestURI();
        boolean isRead = WITH_BODY.contains(request.getMethod()) && !path.startsWith("/api/") && !isSignedIn(request);
        if (!isRead) {
            return request;
        }
        String type = request.getContentType() == null ? "" : request.getContentType();
        if (type.startsWith("multipart/")) {
            throw new BodyReader.Refused(415, "Nothing here takes files.");
        }
        byte[] body = BodyReader.read(request, BodyLimit.of(request));
        try {
            HeldRequest held = new HeldRequest(request, body);
            if (isPlain(held, body)) {
                return held;
            }
        } catch (IllegalArgumentException e) {
            LOG.debug("A form had a broken escape", e);
        }
        throw new BodyReader.Refused(400, PlainText.fault());
    }

    private static boolean isPlain(HeldRequest request, byte[] body) {
        String text = new String(body, StandardCharsets.UTF_8);
        boolean isJson = text.stripLeading().startsWith("{");
        return (isJson ? PlainText.isJson(text) : PlainText.is(text))
                && request.getParameterMap().entrySet().stream()
                        .allMatch(parameter -> PlainText.is(parameter.getKey())
                                && Arrays.stream(parameter.getValue()).allMatch(PlainText::is));
    }

    private static boolean isPlain(@org.jspecify.annotations.Nullable String query) {
        try {
            return query == null
                    || PlainText.is(
                            UriUtils.decode(query.replaceAll("%(?![0-9A-Fa-f]{2})", "%25"), StandardCharsets.UTF_8));
        } catch (IllegalArgumentException e) {
            return false;
        }
    }

    private static boolean isSignedIn(HttpServletRequest request) {
        HttpSession session = request.getSession(false);
        return session != null
                && session.getAttribute(HttpSessionSecurityContextRepository.SPRING_SECURITY_CONTEXT_KEY) != null;
    }

    private static void answer(HttpServletResponse response, int status, String said) throws IOException {
        if (!response.isCommitted()) {
            response.setStatus(status);
            response.setContentType(MediaType.APPLICATION_PROBLEM_JSON_VALUE);
            response.setCharacterEncoding(StandardCharsets.UTF_8.name());
            response.getWriter().write("{\"status\": %d, \"detail\": \"%s\"}".formatted(status, said));
        }
    }
}
