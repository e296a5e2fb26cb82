package wendo.app.accounts;

import com.github.benmanes.caffeine.cache.Caffeine;
import com.github.benmanes.caffeine.cache.LoadingCache;
import io.github.bucket4j.Bucket;
import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.time.Duration;
import java.util.Locale;
import org.springframework.web.filter.OncePerRequestFilter;

/** Slows down guessing: so many tries for one e-mail, and for one address of the network, in five minutes. */
final class SignInLimit extends OncePerRequestFilter {
    private static final int TRIES_PER_EMAIL = 10;
    private static final int TRIES_PER_ADDRESS = 100;
    private static final Duration WINDOW = Duration.ofMinutes(5);

    private final LoadingCache<String, Bucket> byEmail = buckets(TRIES_PER_EMAIL);
    private final LoadingCache<String, Bucket> byAddress = buckets(TRIES_PER_ADDRESS);

    private static LoadingCache<String, Bucket> buckets(int tries) {
        return Caffeine.newBuilder()
                .expireAfterAccess(WINDOW)
                .maximumSize(100_000)
                .build(key -> Bucket.builder()
                        .addLimit(limit -> limit.capacity(tries).refillGreedy(tries, WINDOW))
                        .build());
    }

    @Override
    protected boolean shouldNotFilter(HttpServletRequest request) {
        return !("POST".equals(request.getMethod()) && "/sign-in".equals(request.getRequestURI()));
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        String email = request.getParameter("email");
        String key = email == null ? "" : email.strip().toLowerCase(Locale.ROOT);
        Bucket ofAddress = byAddress.get(request.getRemoteAddr());
        if (byEmail.get(key).tryConsume(1) && ofAddress.tryConsume(1)) {
            chain.doFilter(request, response);
            if (response.getStatus() == HttpServletResponse.SC_FOUND) {
                ofAddress.addTokens(1); // who gets in was not guessing; an office has one address
            }
            return;
        }
        response.setStatus(429);
        request.setAttribute(SecurityConfiguration.FAULT, "Too many tries. Wait five minutes, then try again.");
        request.getRequestDispatcher(SecurityConfiguration.REFUSED).forward(request, response);
    }
}
