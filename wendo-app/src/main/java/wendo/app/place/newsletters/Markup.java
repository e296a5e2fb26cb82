package wendo.app.place.newsletters;

import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.util.Optional;
import org.springframework.web.util.HtmlUtils;
import wendo.app.issue.links.LinkListed;
import wendo.core.media.EmailAddress;
import wendo.core.media.Placeholder;

/**
 * What is put into a newsletter.
 *
 * @param address with the sender's placeholder, letter for letter, where the link subscribes
 * @param anchor the same as markup
 */
record Markup(String address, String anchor) {
    /** The parameter that brings a reader's address. */
    static final String READER = wendo.app.issue.links.LinkDirectory.READER;

    static Markup of(LinkListed link, Optional<Placeholder> placeholder) {
        String address = placeholder.map(one -> one.atEndOf(link.url(), READER)).orElse(link.url());
        // A mark that stands in the placeholder decides which marks stand around the address.
        String mark = address.contains("\"") ? "'" : "\"";
        String rel = link.paid().isPaid() ? " rel=\"sponsored nofollow\"" : "";
        String disclosure = link.paid().isPaid() ? " " + escaped(link.paid().disclosure()) : "";
        return new Markup(
                address,
                "<a href=%s%s%s%s>%s</a>%s".formatted(mark, address, mark, rel, escaped(link.name()), disclosure));
    }

    /** Only what markup needs escaped: everything else stays readable. */
    private static String escaped(String text) {
        return HtmlUtils.htmlEscape(text, "UTF-8");
    }

    /** What the sender would make of it for one reader; empty text without an address. */
    static String tryOut(LinkListed link, String reader) {
        return EmailAddress.find(reader)
                .map(address ->
                        link.url() + "?" + READER + "=" + URLEncoder.encode(address.value(), StandardCharsets.UTF_8))
                .orElse("");
    }
}
