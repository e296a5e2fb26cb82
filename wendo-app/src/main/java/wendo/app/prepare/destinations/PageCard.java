package wendo.app.prepare.destinations;

import java.net.URI;
import org.jsoup.nodes.Document;
import org.jsoup.nodes.Element;
import wendo.core.links.ShareCard;
import wendo.core.links.WebAddress;

/**
 * What a page says of itself to whoever draws a card of it, by the Open Graph protocol (ogp.me): title, text and picture;
 * else by its title and its description.
 *
 * @param picture address of the picture; empty text if the page names none that can be fetched
 */
public record PageCard(ShareCard said, String picture) {
    static final PageCard NONE = new PageCard(ShareCard.NONE, "");

    /** @param address the page's own, which a picture's may be written against */
    static PageCard of(Document page, String address) {
        return new PageCard(
                new ShareCard(
                        first(content(page, "property=og:title"), page.title()),
                        first(content(page, "property=og:description"), content(page, "name=description"))),
                picture(
                        first(content(page, "property=og:image:secure_url"), content(page, "property=og:image")),
                        address));
    }

    private static String content(Document page, String which) {
        Element meta = page.selectFirst("meta[" + which + "]");
        return meta == null ? "" : meta.attr("content").strip();
    }

    private static String first(String one, String other) {
        return one.isBlank() ? other : one;
    }

    private static String picture(String written, String address) {
        if (written.isEmpty()) {
            return "";
        }
        try {
            return WebAddress.of(URI.create(address)
                            .resolve(written.replace(" ", "%20"))
                            .toString())
                    .toString();
        } catch (IllegalArgumentException e) { // a refused address is one, too
            return "";
        }
    }
}
