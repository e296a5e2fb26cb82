package wendo.app.place.messages;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import wendo.app.issue.links.LinkListed;
import wendo.core.measure.UnitPrice;
import wendo.core.media.TextMessage;

/**
 * A message as it would go out, and what it would cost.
 *
 * @param sent the text with the link in place
 * @param offers long addresses in the text that the link could stand for
 * @param costMinor for all recipients and segments; absent until both are known
 */
record MessageCount(String sent, TextMessage message, List<Offer> offers, OptionalLong costMinor) {
    /** Stands in the text where the link goes. */
    static final String PLACE = "{link}";

    private static final Pattern ADDRESS = Pattern.compile("https?://[^\\s<>\"]+|\\bwww\\.[^\\s<>\"]+");

    /**
     * An address that takes more room than the link.
     *
     * @param isSamePage true if the link leads to that very page
     */
    record Offer(String address, int saved, boolean isSamePage) {}

    MessageCount {
        offers = List.copyOf(offers);
    }

    static MessageCount of(String text, LinkListed link, Optional<Long> recipients, Optional<UnitPrice> price) {
        String sent = text.replace(PLACE, link.url());
        TextMessage message = TextMessage.of(sent);
        OptionalLong cost = recipients.isPresent() && price.isPresent()
                ? OptionalLong.of(price.get()
                        .times(Math.multiplyExact(
                                recipients.get(), message.parts().size())))
                : OptionalLong.empty();
        return new MessageCount(sent, message, offers(text, link), cost);
    }

    private static List<Offer> offers(String text, LinkListed link) {
        List<Offer> offers = new ArrayList<>();
        Matcher found = ADDRESS.matcher(text);
        while (found.find()) {
            String address = found.group().replaceAll("[.,;:!?)]+$", "");
            if (address.length() > link.url().length()) {
                offers.add(new Offer(address, address.length() - link.url().length(), isSame(address, link)));
            }
        }
        return offers;
    }

    private static boolean isSame(String address, LinkListed link) {
        return page(address).equalsIgnoreCase(page(link.destination()));
    }

    private static String page(String address) {
        return address.replaceFirst("^https?://", "")
                .replaceFirst("[?#].*$", "")
                .replaceFirst("/+$", "");
    }

    /** Whether the link stands in the text at all. */
    public boolean hasLink(LinkListed link) {
        return sent.contains(link.url());
    }
}
