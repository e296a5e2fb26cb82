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
    private final HostPages pages;

    LinkHostFilter(LinkResponder answers, VisitPipeline road, HostPages pages) {
        this.answers = answers;
        this.road = road;
        this.pages = pages;
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
            show(pages.of(host), response);
        } else if (answer instanceof LinkResponse.DeadEnd nowhere) {
            show(pages.of(nowhere), response);
        } else if (answer instanceof LinkResponse.Card card) {
            logged(card.visit());
            show(pages.of(card), response);
        } else if (answer instanceof LinkResponse.Tagged tagged) {
            logged(tagged.visit());
            show(pages.of(tagged), response);
        } else if (answer instanceof LinkResponse.Redirect led) {
            led.visit().ifPresent(this::logged);
            response.setStatus(HttpServletResponse.SC_FOUND);
            RedirectHeaders.of(led, (name, value) -> response.setHeader(name.toString(), value));
        }
    }

    private static void show(HostPages.Page page, HttpServletResponse response) throws IOException {
        response.setStatus(page.status().value());
        page.headers().forEach(response::setHeader);
        response.getOutputStream().write(page.html().getBytes(StandardCharsets.UTF_8));
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
