package wendo.app.redirect;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.Map;
import java.util.Objects;
import org.springframework.stereotype.Component;
import org.springframework.web.util.HtmlUtils;

/** The page for an address of a link host that leads nowhere, in the business's name. */
@Component
class DeadEnd {
    static final Map<String, String> HEADERS = Map.of(
            "Content-Type", "text/html;charset=UTF-8",
            "Cache-Control", "no-store",
            "X-Content-Type-Options", "nosniff",
            "X-Robots-Tag", "noindex",
            "Content-Security-Policy", "default-src 'none'; style-src 'self'; frame-ancestors 'none'");

    private final String page;

    DeadEnd() throws IOException {
        try (InputStream in = DeadEnd.class.getResourceAsStream("dead-end.html")) {
            page = new String(Objects.requireNonNull(in).readAllBytes(), StandardCharsets.UTF_8);
        }
    }

    String page(String businessName) {
        return page.replace("{business}", HtmlUtils.htmlEscape(businessName));
    }
}
