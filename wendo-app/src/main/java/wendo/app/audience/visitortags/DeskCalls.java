package wendo.app.audience.visitortags;

import java.io.IOException;
import java.net.URI;
import java.time.Duration;
import org.springframework.stereotype.Component;
import tools.jackson.databind.json.JsonMapper;
import wendo.app.platform.business.Businesses;
import wendo.app.platform.site.Texts;
import wendo.app.prepare.destinations.OutsideCalls;
import wendo.core.visits.ClickId;

/** Calls an ad desk from here: for a visit, or to see whether it answers. */
@Component
class DeskCalls {
    private static final int MOST_SAID = 120;

    private final OutsideCalls outside;
    private final Businesses businesses;
    private final JsonMapper json;

    DeskCalls(OutsideCalls outside, Businesses businesses, JsonMapper json) {
        this.outside = outside;
        this.businesses = businesses;
        this.json = json;
    }

    /** @param said what came back, in a sentence */
    record Heard(boolean isTaken, String said) {}

    /** What a server call says of a visit. */
    record Body(String event, String click, String at, String identifier, boolean test) {}

    Heard call(DirectoryTag tag, ClickId click, String key, boolean isTest) {
        boolean isServer = tag.kind() == TagKind.SERVER;
        String body = isServer
                ? json.writeValueAsString(
                        new Body("visit", click.toString(), click.arrivedAt().toString(), tag.identifier(), isTest))
                : "";
        long begun = System.nanoTime();
        try {
            OutsideCalls.Answer answer = outside.call(
                    new OutsideCalls.Call(isServer ? "POST" : "GET", URI.create(tag.filled(click)), key, body),
                    businesses.current().allowsLocalDestinations());
            long millis = Duration.ofNanos(System.nanoTime() - begun).toMillis();
            return answer.isTaken()
                    ? new Heard(true, Texts.of("audience.visitortags.desk-answered", answer.status(), millis))
                    : new Heard(
                            false,
                            Texts.of("audience.visitortags.desk-refused", answer.status(), first(answer.text())));
        } catch (IOException | IllegalArgumentException e) {
            return new Heard(false, Texts.of("audience.visitortags.desk-unreachable"));
        }
    }

    private static String first(String text) {
        String line = text.lines().findFirst().orElse("");
        return line.length() <= MOST_SAID ? line : line.substring(0, MOST_SAID);
    }
}
