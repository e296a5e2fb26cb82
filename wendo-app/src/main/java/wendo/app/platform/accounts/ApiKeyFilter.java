package wendo.app.platform.accounts;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Optional;
import org.springframework.http.HttpHeaders;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.core.authority.SimpleGrantedAuthority;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.web.filter.OncePerRequestFilter;
import wendo.app.platform.site.BodyLimit;
import wendo.app.platform.site.BodyReader;
import wendo.app.platform.site.HeldRequest;
import wendo.app.platform.site.PlainText;

/** Lets a program in by its bearer key, into the business that the key belongs to. */
final class ApiKeyFilter extends OncePerRequestFilter {
    private static final String BEARER = "Bearer ";
    private static final String PROGRAM = "API";

    private final ApiKeys keys;

    ApiKeyFilter(ApiKeys keys) {
        this.keys = keys;
    }

    /** Read once the key is known, so that nobody else's bodies take memory. */
    private static HttpServletRequest held(HttpServletRequest request) throws IOException {
        if (request.getMethod().equals("GET") || request.getMethod().equals("HEAD")) {
            return request;
        }
        byte[] body = BodyReader.read(request, BodyLimit.API);
        if (!PlainText.isJson(new String(body, StandardCharsets.UTF_8))) {
            throw new BodyReader.Refused(400, PlainText.englishFault());
        }
        return new HeldRequest(request, body);
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        String header = request.getHeader(HttpHeaders.AUTHORIZATION);
        Optional<ApiKeys.Used> used = header != null && header.regionMatches(true, 0, BEARER, 0, BEARER.length())
                ? keys.find(header.substring(BEARER.length()).strip())
                : Optional.empty();
        if (used.isEmpty()) {
            chain.doFilter(request, response);
            return;
        }
        SecurityContextHolder.getContext()
                .setAuthentication(UsernamePasswordAuthenticationToken.authenticated(
                        "program",
                        null,
                        List.of(new SimpleGrantedAuthority(used.get().scope().key()))));
        keys.use(used.get());
        Actor.set(new Actor(Optional.empty(), PROGRAM));
        try {
            RequestScope.run(used.get().business(), held(request), response, chain);
        } finally {
            Actor.clear();
        }
    }
}
