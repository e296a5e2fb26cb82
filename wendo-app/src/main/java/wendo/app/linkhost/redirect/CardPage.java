package wendo.app.linkhost.redirect;

import java.util.Map;
import java.util.regex.Pattern;
import org.springframework.stereotype.Component;
import wendo.app.platform.site.HostTemplate;
import wendo.app.platform.site.Texts;

/** The small page that a program which draws previews reads the card of a link from (Open Graph protocol, ogp.me). */
@Component
class CardPage {
    static final Map<String, String> HEADERS = Map.of(
            "Content-Type", "text/html;charset=UTF-8",
            "Cache-Control", "no-store",
            "X-Content-Type-Options", "nosniff",
            "X-Robots-Tag", "noindex",
            "Content-Security-Policy", "default-src 'none'; frame-ancestors 'none'");

    /** What names the picture, and makes those who know it draw the picture large. */
    private static final Pattern OF_THE_PICTURE = Pattern.compile("(?m)^.*(og:image|twitter:card).*\\R");

    private final HostTemplate withPicture = HostTemplate.read(CardPage.class, "share-card.html");
    private final HostTemplate plain =
            new HostTemplate(OF_THE_PICTURE.matcher(withPicture.page()).replaceAll(""));

    String page(LinkResponse.Card card) {
        String picture = card.shown().picture();
        return (picture.isEmpty() ? plain : withPicture)
                .filled(Map.of(
                        "language",
                                Texts.language(card.host().speech().language()).getLanguage(),
                        "business", card.host().businessName(),
                        "title", card.shown().card().title(),
                        "text", card.shown().card().text(),
                        "address", card.address(),
                        "picture", card.host().origin() + picture));
    }
}
