package wendo.app.visits;

import jakarta.servlet.Filter;
import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.ServletRequest;
import jakarta.servlet.ServletResponse;
import jakarta.servlet.http.Cookie;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.net.URLDecoder;
import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.security.SecureRandom;
import java.time.Clock;
import java.time.Duration;
import java.util.Arrays;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import wendo.app.links.LinkDirectory;
import wendo.core.links.Circumstances;
import wendo.core.links.Device;
import wendo.core.links.Tagging;
import wendo.core.links.Way;
import wendo.core.visits.ClickId;

/**
 * Answers everything on a link host, ahead of every other filter: a 302 to the stored address with a fresh click
 * identifier, once the visit is on disk. Only the public addresses below {@code /t/} go on to the rest of the application.
 */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE)
class LinkHostFilter implements Filter {
    private static final Logger LOG = LoggerFactory.getLogger(LinkHostFilter.class);
    private static final String COOKIE = "wendo_visitor";
    private static final Duration COOKIE_KEPT = Duration.ofDays(400); // the longest that browsers keep one
    private static final int UUID_LENGTH = 36;
    private static final int MAX_READER = 400;
    private static final Duration DISK_PATIENCE = Duration.ofSeconds(2);

    private final LinkDirectory directory;
    private final VisitRoad road;
    private final DeadEnd deadEnd;
    private final Countries countries;
    private final Clock clock;
    private final SecureRandom random = new SecureRandom();

    LinkHostFilter(LinkDirectory directory, VisitRoad road, DeadEnd deadEnd, Countries countries, Clock clock) {
        this.directory = directory;
        this.road = road;
        this.deadEnd = deadEnd;
        this.countries = countries;
        this.clock = clock;
    }

    @Override
    public void doFilter(ServletRequest servletRequest, ServletResponse servletResponse, FilterChain chain)
            throws IOException, ServletException {
        HttpServletRequest request = (HttpServletRequest) servletRequest;
        HttpServletResponse response = (HttpServletResponse) servletResponse;
        Optional<LinkDirectory.Host> host = directory.findHost(request.getServerName());
        if (host.isEmpty() || request.getRequestURI().startsWith("/t/")) {
            chain.doFilter(request, response);
            return;
        }
        boolean asks = request.getMethod().equals("GET") || request.getMethod().equals("HEAD");
        if (asks && request.getRequestURI().equals(LinkDirectory.PROOF_PATH)) {
            tellWho(response, host.get());
            return;
        }
        Optional<LinkDirectory.Asked> target = asks ? directory.find(host.get(), slug(request)) : Optional.empty();
        if (target.isPresent()) {
            answer(request, response, target.get());
        } else {
            deadEnd.answer(response, host.get().businessName());
        }
    }

    /** Setup asks this of a name, to see whether it leads here. */
    private static void tellWho(HttpServletResponse response, LinkDirectory.Host host) throws IOException {
        response.setContentType("text/plain");
        response.setHeader("Cache-Control", "no-store");
        response.getWriter().write(host.id().toString());
    }

    private static String slug(HttpServletRequest request) {
        String path = request.getRequestURI();
        int end = path.endsWith("/") && path.length() > 1 ? path.length() - 1 : path.length();
        return path.substring(1, end);
    }

    private void answer(HttpServletRequest request, HttpServletResponse response, LinkDirectory.Asked asked) {
        LinkDirectory.Target target = asked.target();
        ClickId click = ClickId.of(clock.instant(), random);
        UUID visitor = findVisitor(request).orElseGet(UUID::randomUUID);
        String country = countries.of(request.getRemoteAddr());
        Device device = Device.of(header(request, "User-Agent"));
        Way way = target.lead(
                click.arrivedAt(),
                (now, link) -> new Circumstances(
                        now,
                        country,
                        device,
                        Circumstances.languageOf(header(request, "Accept-Language")),
                        visitor,
                        link));
        if (request.getMethod().equals("GET")) {
            log(visit(request, asked, way, click, visitor, country, device));
            response.addCookie(cookie(visitor, request.isSecure()));
        }
        response.setStatus(HttpServletResponse.SC_FOUND);
        String address = target.subscribes()
                ? findReader(request).map(reader -> optIn(target, reader)).orElse(way.address())
                : way.address();
        response.setHeader("Location", Tagging.append(address, ClickId.PARAMETER, click.toString()));
        response.setHeader("Cache-Control", "no-store");
        response.setHeader("Referrer-Policy", "no-referrer-when-downgrade");
    }

    /** What is no proper escape, like a placeholder between percent signs, is taken as it stands. */
    private static Optional<String> findReader(HttpServletRequest request) {
        String query = request.getQueryString() == null ? "" : request.getQueryString();
        return Arrays.stream(query.split("&", -1))
                .filter(pair -> pair.startsWith(LinkDirectory.READER + "="))
                .map(pair -> decoded(pair.substring(LinkDirectory.READER.length() + 1)))
                .findFirst();
    }

    private static String decoded(String value) {
        try {
            return URLDecoder.decode(value, StandardCharsets.UTF_8);
        } catch (IllegalArgumentException e) {
            return value;
        }
    }

    /** On this same host: a reader's address goes nowhere else. */
    private static String optIn(LinkDirectory.Target target, String reader) {
        String kept = reader.length() <= MAX_READER ? reader : "";
        return "/t/opt-in/%s?%s=%s"
                .formatted(target.link(), LinkDirectory.READER, URLEncoder.encode(kept, StandardCharsets.UTF_8));
    }

    private static LoggedVisit visit(
            HttpServletRequest request,
            LinkDirectory.Asked asked,
            Way way,
            ClickId click,
            UUID visitor,
            String country,
            Device device) {
        return new LoggedVisit(
                click,
                asked.target().business(),
                asked.target().link(),
                asked.target().source(),
                way.destination(),
                visitor,
                asked.recipient(),
                country,
                device.key(),
                findCookie(request, ProofBook.COOKIE).orElse(""),
                header(request, "User-Agent"),
                purpose(request),
                header(request, "Referer"));
    }

    /** A printed link never dies: should the disk fail, the visitor is let through and the loss is logged. */
    private void log(LoggedVisit visit) {
        try {
            if (!road.log().append(visit).get(DISK_PATIENCE.toMillis(), TimeUnit.MILLISECONDS)) {
                LOG.error("A visit was answered that the log did not take: {}", visit.click());
            }
        } catch (ExecutionException | TimeoutException e) {
            LOG.error("A visit was answered that the log did not take: {}", visit.click(), e);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }

    private static String purpose(HttpServletRequest request) {
        String modern = header(request, "Sec-Purpose");
        return modern.isEmpty() ? header(request, "Purpose") : modern;
    }

    private static String header(HttpServletRequest request, String name) {
        String value = request.getHeader(name);
        return value == null ? "" : value;
    }

    private static Optional<UUID> findVisitor(HttpServletRequest request) {
        try {
            return findCookie(request, COOKIE)
                    .filter(value -> value.length() == UUID_LENGTH)
                    .map(UUID::fromString);
        } catch (IllegalArgumentException e) {
            return Optional.empty();
        }
    }

    private static Optional<String> findCookie(HttpServletRequest request, String name) {
        for (Cookie cookie : request.getCookies() == null ? new Cookie[0] : request.getCookies()) {
            if (cookie.getName().equals(name)) {
                return Optional.of(cookie.getValue());
            }
        }
        return Optional.empty();
    }

    private static Cookie cookie(UUID visitor, boolean secure) {
        Cookie cookie = new Cookie(COOKIE, visitor.toString());
        cookie.setHttpOnly(true);
        cookie.setSecure(secure);
        cookie.setPath("/");
        cookie.setMaxAge((int) COOKIE_KEPT.toSeconds());
        cookie.setAttribute("SameSite", "Lax");
        return cookie;
    }
}
