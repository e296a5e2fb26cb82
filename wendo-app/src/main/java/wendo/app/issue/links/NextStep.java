package wendo.app.issue.links;

import java.util.EnumMap;
import java.util.Map;
import wendo.app.platform.site.Texts;
import wendo.core.links.Channel;

/**
 * What somebody does next with a link of a channel: print needs a code, a text its message.
 *
 * @param before and {@code after}: its address around the link's identifier
 */
record NextStep(String words, String before, String after) {

    static Map<Channel, NextStep> byChannel() {
        Map<Channel, NextStep> steps = new EnumMap<>(Channel.class);
        for (Channel channel : Channel.values()) {
            steps.put(channel, of(channel));
        }
        return steps;
    }

    private static NextStep of(Channel channel) {
        return switch (channel) {
            case PRINT, PLACE -> new NextStep(Texts.of("issue.links.next.code"), "/codes?link=", "");
            case TEXT -> page(Texts.of("issue.links.next.message"), "/message");
            case NEWSLETTER -> page(Texts.of("issue.links.next.markup"), "/newsletter");
            case AD -> page(Texts.of("issue.links.next.final-address"), "/place/ad");
            case PARTNER -> page(Texts.of("issue.links.next.card"), "/place/card");
            case SOCIAL -> new NextStep(Texts.of("issue.links.next.signpost"), "/signposts?from=", "");
            case OTHER -> page(Texts.of("platform.site.link.place"), "/place");
        };
    }

    private static NextStep page(String words, String page) {
        return new NextStep(words, "/links/", page);
    }
}
