package wendo.core.visits;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;

/** Programs that fetch a link to draw a preview of it, or to look at where it leads, told by their user agents. */
public final class PreviewPrograms {
    /** Messengers and networks that show the card of a link. From memory; each publishes the name of its program. */
    private static final List<String> DRAWING = List.of(
            "facebookexternalhit",
            "whatsapp",
            "slackbot",
            "telegrambot",
            "twitterbot",
            "linkedinbot",
            "discordbot",
            "skypeuripreview",
            "microsoftpreview",
            "viber",
            "embedly",
            "pinterestbot");

    private static final List<String> LOOKING = List.of("bingpreview", "bitlybot");

    /** Messengers that name themselves in the browser which their people read pages with, too. From memory. */
    private static final Set<String> WITH_A_BROWSER = Set.of("whatsapp", "viber");

    private static final String ENGINE = "applewebkit";

    private PreviewPrograms() {}

    /** The name that the program goes by; empty for what is none of them. */
    public static Optional<String> nameOf(String userAgent) {
        String lower = userAgent.toLowerCase(Locale.ROOT);
        return Stream.concat(DRAWING.stream(), LOOKING.stream())
                .filter(lower::contains)
                .findFirst();
    }

    /** True of a program that shows nothing but the card of a link; where a person may be reading, false. */
    public static boolean drawsCards(String userAgent) {
        String lower = userAgent.toLowerCase(Locale.ROOT);
        return DRAWING.stream()
                .anyMatch(name -> lower.contains(name) && !(WITH_A_BROWSER.contains(name) && lower.contains(ENGINE)));
    }
}
