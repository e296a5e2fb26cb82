package wendo.app.linkhost.redirect;

import java.util.HashMap;
import java.util.Map;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;
import wendo.app.linkhost.tagging.TagPage;

/** The pages that a link host answers with, as either server sends them. */
@Component
class HostPages {
    private final DeadEnd deadEnd;
    private final CardPage card;
    private final TagPage tags;

    HostPages(DeadEnd deadEnd, CardPage card, TagPage tags) {
        this.deadEnd = deadEnd;
        this.card = card;
        this.tags = tags;
    }

    /** A page with its headers. */
    record Page(HttpStatus status, Map<String, String> headers, String html) {}

    Page of(LinkResponse.DeadEnd nowhere) {
        return new Page(HttpStatus.NOT_FOUND, DeadEnd.HEADERS, deadEnd.page(nowhere));
    }

    Page of(LinkResponse.Card drawn) {
        return new Page(HttpStatus.OK, CardPage.HEADERS, card.page(drawn));
    }

    Page of(LinkResponse.Tagged tagged) {
        TagPage.Shown shown = tags.show(tagged.plan(), tagged.before());
        Map<String, String> headers = new HashMap<>(shown.headers());
        if (!tagged.cookie().isEmpty()) {
            headers.put("Set-Cookie", tagged.cookie());
        }
        return new Page(HttpStatus.OK, headers, shown.html());
    }

    /** Where this host would tell which one it is. */
    Page of(LinkResponse.Host host) {
        return new Page(
                HttpStatus.OK,
                Map.of("Content-Type", "text/plain", "Cache-Control", "no-store"),
                host.id().toString());
    }
}
