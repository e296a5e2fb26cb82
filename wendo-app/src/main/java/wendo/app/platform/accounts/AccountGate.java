package wendo.app.platform.accounts;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import jakarta.servlet.http.HttpSession;
import java.io.IOException;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.web.filter.OncePerRequestFilter;

/** Who gave a password and no code yet gets no further than to the code; and however often it is used, a session ends. */
final class AccountGate extends OncePerRequestFilter {
    static final String CODE = "/sign-in/code";

    private final Sessions sessions;

    AccountGate(Sessions sessions) {
        this.sessions = sessions;
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        Authentication authentication = SecurityContextHolder.getContext().getAuthentication();
        HttpSession session = request.getSession(false);
        if (session == null || authentication == null || !(authentication.getPrincipal() instanceof SignedIn person)) {
            chain.doFilter(request, response);
        } else if (sessions.isTooOld(session)) {
            session.invalidate();
            lead("/sign-in", request, response);
        } else if (person.needsCode() && !Sessions.isCodeGiven(session)) {
            if (request.getRequestURI().equals(CODE)) {
                chain.doFilter(request, response);
            } else {
                lead(CODE, request, response);
            }
        } else if (request.getRequestURI().startsWith("/webauthn/register") && !sessions.isConfirmed(session)) {
            response.sendError(HttpServletResponse.SC_FORBIDDEN); // the page asks who it is, and tries again
        } else {
            chain.doFilter(request, response);
        }
    }

    /** A part of a page cannot be sent elsewhere: htmx is told to go there as a whole. */
    static void lead(String to, HttpServletRequest request, HttpServletResponse response) throws IOException {
        if (request.getHeader("HX-Request") == null) {
            response.sendRedirect(to);
        } else {
            response.setHeader("HX-Redirect", to);
            response.setStatus(HttpServletResponse.SC_UNAUTHORIZED);
        }
    }
}
