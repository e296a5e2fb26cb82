package wendo.app.linkhost.redirect;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import org.springframework.stereotype.Component;
import org.springframework.web.util.HtmlUtils;
import wendo.app.issue.links.LinkDirectory;
import wendo.app.platform.site.OwnErrorPage;

/** The page for an address of a link host that leads nowhere, in the business's name. */
@Component
class DeadEnd implements OwnErrorPage {
    static final Map<String, String> HEADERS = Map.of(
            "Content-Type", "text/html;charset=UTF-8",
            "Cache-Control", "no-store",
            "X-Content-Type-Options", "nosniff",
            "X-Robots-Tag", "noindex",
            "Content-Security-Policy", "default-src 'none'; style-src 'self'; frame-ancestors 'none'");

    private final String page;

    private final LinkDirectory directory;

    DeadEnd(LinkDirectory directory) throws IOException {
        this.directory = directory;
        try (InputStream in = DeadEnd.class.getResourceAsStream("dead-end.html")) {
            page = new String(Objects.requireNonNull(in).readAllBytes(), StandardCharsets.UTF_8);
        }
    }

    @Override
    public Optional<String> of(String host) {
        return directory.findHost(host).map(found -> page(found.businessName()));
    }

    String page(String businessName) {
        return page.replace("{business}", HtmlUtils.htmlEscape(businessName));
    }
}
