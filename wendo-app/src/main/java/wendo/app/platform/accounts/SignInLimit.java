package wendo.app.platform.accounts;

import io.github.bucket4j.Bucket;
import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.time.Duration;
import java.util.Locale;
import java.util.Optional;
import org.springframework.web.filter.OncePerRequestFilter;
import wendo.app.platform.site.SharedLimits;
import wendo.app.platform.site.Texts;

/**
 * Slows down guessing. An address of the network that fails too often is blocked for a while. An account that is guessed
 * at from many addresses is slowed down for browsers that nobody has signed in to it with; one that is known to it has
 * tries of its own, so nobody can keep its owner out. The limits hold over all processes.
 */
final class SignInLimit extends OncePerRequestFilter {
    private static final int FAILURES_OF_ADDRESS = 30;
    private static final Duration BLOCKED = Duration.ofMinutes(15);
    private static final int TRIES_OF_ACCOUNT = 10;
    private static final Duration SLOWED = Duration.ofMinutes(5);

    private final SharedLimits limits;
    private final KnownDevices devices;

    SignInLimit(SharedLimits limits, KnownDevices devices) {
        this.limits = limits;
        this.devices = devices;
    }

    @Override
    protected boolean shouldNotFilter(HttpServletRequest request) {
        return !("POST".equals(request.getMethod()) && "/sign-in".equals(request.getRequestURI()));
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        String typed = request.getParameter("email");
        String email = typed == null ? "" : typed.strip().toLowerCase(Locale.ROOT);
        Optional<String> device = devices.find(request, email);
        Bucket ofAddress = limits.of("sign-in from", request.getRemoteAddr(), FAILURES_OF_ADDRESS, BLOCKED);
        Bucket ofAccount = device.map(known -> limits.of("sign-in by", known, TRIES_OF_ACCOUNT, SLOWED))
                .orElseGet(() -> limits.of("sign-in as", email, TRIES_OF_ACCOUNT, SLOWED));
        if (device.isEmpty() && ofAddress.getAvailableTokens() == 0) {
            refuse(request, response, Texts.of("platform.accounts.too-many-attempts-from-your"));
        } else if (!ofAccount.tryConsume(1)) {
            refuse(request, response, Texts.of("platform.accounts.too-many-attempts-wait-half"));
        } else {
            chain.doFilter(request, response);
            count(response, ofAddress, ofAccount);
        }
    }

    /** Who gets in was not guessing. */
    private static void count(HttpServletResponse response, Bucket ofAddress, Bucket ofAccount) {
        if (response.getStatus() == HttpServletResponse.SC_FOUND) {
            ofAccount.addTokens(1);
        } else {
            ofAddress.tryConsume(1);
        }
    }

    private static void refuse(HttpServletRequest request, HttpServletResponse response, String said)
            throws ServletException, IOException {
        response.setStatus(429);
        request.setAttribute(SecurityConfiguration.FAULT, said);
        request.getRequestDispatcher(SecurityConfiguration.REFUSED).forward(request, response);
    }
}
