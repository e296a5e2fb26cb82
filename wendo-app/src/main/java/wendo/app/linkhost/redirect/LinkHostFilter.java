package wendo.app.linkhost.redirect;

import jakarta.servlet.Filter;
import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.ServletRequest;
import jakarta.servlet.ServletResponse;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.concurrent.CompletableFuture;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import wendo.app.visit.visits.LoggedVisit;
import wendo.app.visit.visits.VisitPipeline;

/**
 * Answers link hosts on the port of the pages, ahead of every other filter, so that one port is enough. Only the public
 * addresses below {@code /t/} go on to the rest of the application.
 */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE)
class LinkHostFilter implements Filter {
    private final LinkResponder answers;
    private final VisitPipeline road;
    private final DeadEnd deadEnd;

    LinkHostFilter(LinkResponder answers, VisitPipeline road, DeadEnd deadEnd) {
        this.answers = answers;
        this.road = road;
        this.deadEnd = deadEnd;
    }

    @Override
    public void doFilter(ServletRequest servletRequest, ServletResponse servletResponse, FilterChain chain)
            throws IOException, ServletException {
        HttpServletRequest request = (HttpServletRequest) servletRequest;
        HttpServletResponse response = (HttpServletResponse) servletResponse;
        LinkResponse answer = answers.to(new FilteredAsking(request));
        if (answer instanceof LinkResponse.NotOurs) {
            chain.doFilter(request, response);
        } else if (answer instanceof LinkResponse.Host host) {
            response.setContentType("text/plain");
            response.setHeader("Cache-Control", "no-store");
            response.getWriter().write(host.id().toString());
        } else if (answer instanceof LinkResponse.DeadEnd nowhere) {
            response.setStatus(HttpServletResponse.SC_NOT_FOUND);
            DeadEnd.HEADERS.forEach(response::setHeader);
            response.getOutputStream().write(deadEnd.page(nowhere).getBytes(StandardCharsets.UTF_8));
        } else if (answer instanceof LinkResponse.Redirect led) {
            led.visit().ifPresent(this::logged);
            response.setStatus(HttpServletResponse.SC_FOUND);
            RedirectHeaders.of(led, (name, value) -> response.setHeader(name.toString(), value));
        }
    }

    /** Comes back once the visit is on disk, or could not be brought there. */
    private void logged(LoggedVisit visit) {
        CompletableFuture<Boolean> answered = new CompletableFuture<>();
        road.append(List.of(visit), answered::complete);
        answered.join();
    }

    /** What the pages' server was asked. */
    private record FilteredAsking(HttpServletRequest request) implements LinkRequest {
        @Override
        public String method() {
            return request.getMethod();
        }

        @Override
        public String host() {
            return request.getServerName();
        }

        @Override
        public String path() {
            return request.getRequestURI();
        }

        @Override
        public String query() {
            return request.getQueryString() == null ? "" : request.getQueryString();
        }

        @Override
        public String header(String name) {
            String value = request.getHeader(name);
            return value == null ? "" : value;
        }

        @Override
        public String address() {
            return request.getRemoteAddr();
        }

        @Override
        public boolean isSecure() {
            return request.isSecure();
        }
    }
}
