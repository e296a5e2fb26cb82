package wendo.core.visits;

import java.net.URI;
import java.net.URISyntaxException;
import java.net.URLDecoder;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.Locale;
import java.util.Optional;
import java.util.function.Predicate;
import wendo.core.links.Tag;

/**
 * An arrival on the business's own site that no link brought. By its tags if they name a known source; else by the page
 * that led to it: its own host is no arrival, a search engine is organic search, a social network is social, another host
 * a referral, none direct. Common practice.
 *
 * @param tag the {@code utm_source} that named its source, in normal form; empty text unless it is {@link Origin#TAGGED}
 * @param referrerHost in lower case and without "www."; empty text if no page led to it
 */
public record SiteArrival(Origin origin, String tag, String referrerHost) {
    private static final String SOURCE = "utm_source=";

    /**
     * Sorts the opening of a page; empty if it was reached from its own site.
     *
     * @param isSource whether a tag in normal form names a source
     */
    public static Optional<SiteArrival> find(String page, String referrer, Predicate<String> isSource) {
        String from = host(referrer);
        if (!from.isEmpty() && from.equals(host(page))) {
            return Optional.empty();
        }
        String tag = tag(page);
        if (!tag.isEmpty() && isSource.test(tag)) {
            return Optional.of(new SiteArrival(Origin.TAGGED, tag, from));
        }
        Origin origin =
                from.isEmpty() ? Origin.DIRECT : ReferrerHosts.find(from).orElse(Origin.REFERRAL);
        return Optional.of(new SiteArrival(origin, "", from));
    }

    /** The host of a page, as hosts are compared; empty text if the text is no address of one. */
    public static String host(String address) {
        try {
            URI uri = new URI(address.replaceAll("[?#].*$", "").replaceAll("[^!-~]", ""));
            String host = uri.getHost() == null ? "" : uri.getHost().toLowerCase(Locale.ROOT);
            return host.startsWith("www.") ? host.substring(4) : host;
        } catch (URISyntaxException e) {
            return "";
        }
    }

    private static String tag(String page) {
        int question = page.indexOf('?');
        if (question < 0) {
            return "";
        }
        return Arrays.stream(
                        page.substring(question + 1).replaceFirst("#.*$", "").split("&"))
                .filter(pair -> pair.startsWith(SOURCE))
                .map(pair -> decoded(pair.substring(SOURCE.length())))
                .filter(Tag::isPossible)
                .map(text -> Tag.of(text).value())
                .findFirst()
                .orElse("");
    }

    private static String decoded(String value) {
        try {
            return URLDecoder.decode(value, StandardCharsets.UTF_8);
        } catch (IllegalArgumentException e) {
            return value;
        }
    }
}
