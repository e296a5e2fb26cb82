package wendo.app.visits;

import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import org.springframework.stereotype.Component;
import org.springframework.web.util.HtmlUtils;

/** The page for an address of a link host that leads nowhere, in the business's name. */
@Component
class DeadEnd {
    private final String page;

    DeadEnd() throws IOException {
        try (InputStream in = DeadEnd.class.getResourceAsStream("dead-end.html")) {
            page = new String(java.util.Objects.requireNonNull(in).readAllBytes(), StandardCharsets.UTF_8);
        }
    }

    void answer(HttpServletResponse response, String businessName) throws IOException {
        response.setStatus(HttpServletResponse.SC_NOT_FOUND);
        response.setContentType("text/html;charset=UTF-8");
        response.setHeader("Cache-Control", "no-store");
        response.setHeader("X-Content-Type-Options", "nosniff");
        response.setHeader("X-Robots-Tag", "noindex");
        response.setHeader("Content-Security-Policy", "default-src 'none'; style-src 'self'; frame-ancestors 'none'");
        response.getWriter().write(page.replace("{business}", HtmlUtils.htmlEscape(businessName)));
    }
}
