package wendo.app.platform.accounts;

import jakarta.servlet.http.Cookie;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.sql.Timestamp;
import java.time.Clock;
import java.time.Duration;
import java.util.Arrays;
import java.util.Locale;
import java.util.Optional;
import java.util.UUID;
import org.springframework.http.HttpHeaders;
import org.springframework.http.ResponseCookie;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import wendo.app.platform.site.Digest;
import wendo.app.platform.site.RandomToken;

/** Browsers that somebody has signed in with. What the browser keeps is random; what is kept here is its hash. */
@Component
class KnownDevices {
    private static final String COOKIE = "wendo_device";
    private static final Duration KEPT = Duration.ofDays(365);
    private static final int LONGEST = 48;

    private final JdbcClient jdbc;
    private final Clock clock;

    KnownDevices(JdbcClient jdbc, Clock clock) {
        this.jdbc = jdbc;
        this.clock = clock;
    }

    /** The hash of what this browser brings, if somebody with this e-mail has signed in with it. */
    @Transactional(readOnly = true)
    public Optional<String> find(HttpServletRequest request, String email) {
        return token(request)
                .map(Digest::of)
                .filter(hash -> jdbc.sql("""
                        select exists (select from known_device d join person p on p.id = d.person_id
                            where d.token_hash = ? and p.email = ?)
                        """)
                        .params(hash, email.strip().toLowerCase(Locale.ROOT))
                        .query(Boolean.class)
                        .single());
    }

    /** Whether they have signed in with any browser before. */
    @Transactional(readOnly = true)
    public boolean hasAny(UUID person) {
        return jdbc.sql("select exists (select from known_device where person_id = ?)")
                .param(person)
                .query(Boolean.class)
                .single();
    }

    private static Optional<String> token(HttpServletRequest request) {
        return Arrays.stream(request.getCookies() == null ? new Cookie[0] : request.getCookies())
                .filter(cookie ->
                        cookie.getName().equals(COOKIE) && cookie.getValue().length() <= LONGEST)
                .map(Cookie::getValue)
                .findFirst();
    }

    /** Knows this browser from now on. */
    @Transactional
    public void remember(UUID person, HttpServletRequest request, HttpServletResponse response) {
        String token = token(request).orElseGet(RandomToken::next);
        jdbc.sql("""
                        insert into known_device values (?, ?, ?)
                        on conflict (person_id, token_hash) do update set last_used_at = excluded.last_used_at
                        """)
                .params(person, Digest.of(token), Timestamp.from(clock.instant()))
                .update();
        response.addHeader(
                HttpHeaders.SET_COOKIE,
                ResponseCookie.from(COOKIE, token)
                        .path("/")
                        .httpOnly(true)
                        .secure(request.isSecure())
                        .sameSite("Lax")
                        .maxAge(KEPT)
                        .build()
                        .toString());
    }
}
