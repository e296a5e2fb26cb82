package wendo.app.issue.links;

import java.util.Arrays;
import java.util.Map;
import java.util.UUID;
import java.util.function.Function;
import java.util.stream.Collectors;
import wendo.app.platform.site.Texts;
import wendo.core.links.Channel;

/**
 * What comes next for a link of a channel: a code for print, a message for a text.
 *
 * @param page its address, with {@code %s} where a link's identifier goes
 */
record NextStep(String words, String page) {

    static Map<Channel, NextStep> byChannel() {
        return Arrays.stream(Channel.values()).collect(Collectors.toMap(Function.identity(), NextStep::of));
    }

    private static NextStep of(Channel channel) {
        return switch (channel) {
            case PRINT, PLACE -> new NextStep(Texts.of("issue.links.next.code"), "/codes?link=%s");
            case TEXT -> new NextStep(Texts.of("issue.links.next.message"), "/links/%s/message");
            case NEWSLETTER -> new NextStep(Texts.of("issue.links.next.markup"), "/links/%s/newsletter");
            case AD -> new NextStep(Texts.of("issue.links.next.final-address"), "/links/%s/place/ad");
            case PARTNER -> new NextStep(Texts.of("issue.links.next.card"), "/links/%s/place/card");
            case SOCIAL -> new NextStep(Texts.of("issue.links.next.signpost"), "/signposts");
            case OTHER -> new NextStep(Texts.of("platform.site.link.place"), "/links/%s/place");
        };
    }

    public String address(UUID link) {
        return page.formatted(link);
    }
}
