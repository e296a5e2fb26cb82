package wendo.app.linkhost.redirect;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import org.springframework.stereotype.Component;
import org.springframework.web.util.HtmlUtils;
import wendo.app.issue.links.LinkDirectory;
import wendo.app.platform.site.OwnErrorPage;
import wendo.app.platform.site.PublicLanguages;
import wendo.app.platform.site.Texts;

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
    public Optional<String> of(String host, String acceptLanguage) {
        return directory.findHost(host).map(found -> page(LinkResponse.DeadEnd.of(found, acceptLanguage)));
    }

    /** In the first language that the visitor's browser asks for and there is, else in the business's own. */
    String page(LinkResponse.DeadEnd nowhere) {
        Locale reader =
                PublicLanguages.of(nowhere.acceptLanguage()).orElseGet(() -> Texts.language(nowhere.ofBusiness()));
        return page.replace("{language}", reader.getLanguage())
                .replace("{nowhere}", escaped(Texts.in(reader, "linkhost.redirect.nowhere")))
                .replace("{if-typed}", escaped(Texts.in(reader, "linkhost.redirect.if-typed")))
                .replace("{if-still}", escaped(Texts.in(reader, "linkhost.redirect.if-still", nowhere.businessName())))
                .replace("{business}", escaped(nowhere.businessName()));
    }

    private static String escaped(String text) {
        return HtmlUtils.htmlEscape(text, StandardCharsets.UTF_8.name());
    }
}
