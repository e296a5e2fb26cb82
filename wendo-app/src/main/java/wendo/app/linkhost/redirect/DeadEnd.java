package wendo.app.linkhost.redirect;

import java.util.HashMap;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import org.springframework.stereotype.Component;
import wendo.app.issue.links.HostSpeech;
import wendo.app.issue.links.LinkDirectory;
import wendo.app.platform.site.HostTemplate;
import wendo.app.platform.site.OwnErrorPage;
import wendo.app.platform.site.PublicFace;
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
            "Content-Security-Policy", "default-src 'none'; style-src 'self'; img-src 'self'; frame-ancestors 'none'");

    private final HostTemplate page = HostTemplate.read(DeadEnd.class, "dead-end.html");
    private final LinkDirectory directory;

    DeadEnd(LinkDirectory directory) {
        this.directory = directory;
    }

    @Override
    public Optional<String> of(String host, String acceptLanguage) {
        return directory.findHost(host).map(found -> page(new LinkResponse.DeadEnd(found, acceptLanguage)));
    }

    /** In the first language that the visitor's browser asks for and there is, else in the business's own. */
    String page(LinkResponse.DeadEnd nowhere) {
        LinkDirectory.Host host = nowhere.host();
        HostSpeech speech = host.speech();
        Locale reader = PublicLanguages.of(nowhere.acceptLanguage()).orElseGet(() -> Texts.language(speech.language()));
        Map<String, String> values = new HashMap<>(Map.of(
                "language", reader.getLanguage(),
                "nowhere", speech.say(reader, "linkhost.redirect.nowhere"),
                "if-typed", speech.say(reader, "linkhost.redirect.if-typed"),
                "if-still", speech.say(reader, "linkhost.redirect.if-still", host.businessName()),
                "business", host.businessName()));
        PublicFace face = host.face();
        values.putAll(Map.of(
                "style", face.style(),
                "band", face.hasColour() ? "band accent-own" : "plain",
                "logo", face.logo(),
                "address", face.address().isEmpty() ? "" : face.letterAddress(),
                "imprint", face.imprint(),
                "imprint-label", Texts.in(reader, "platform.site.open.imprint"),
                "privacy", face.privacy(),
                "privacy-label", Texts.in(reader, "platform.site.open.privacy"),
                "made-with", face.isSigned() ? Texts.in(reader, "platform.site.open.made-with") : ""));
        return page.filled(values);
    }
}
