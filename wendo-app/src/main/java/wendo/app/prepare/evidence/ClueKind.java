package wendo.app.prepare.evidence;

import java.util.Arrays;
import java.util.Locale;
import java.util.Optional;
import wendo.core.links.Tag;
import wendo.core.outcomes.GivenCode;
import wendo.core.visits.SiteArrival;

/** What can stand for a source without a link. */
enum ClueKind {
    CODE,
    ANSWER,
    /** A website whose pages lead to the business's own. */
    REFERRER;

    private static final int MAX_HOST = 100; // as long as a key may be

    public String key() {
        return name().toLowerCase(Locale.ROOT);
    }

    public String words() {
        return this == REFERRER ? "website" : key();
    }

    static Optional<ClueKind> find(String key) {
        return Arrays.stream(values()).filter(kind -> kind.key().equals(key)).findFirst();
    }

    /** What a text is compared by; empty if it cannot be one of this kind. */
    Optional<String> normal(String text) {
        if (this == CODE) {
            return GivenCode.find(text).map(GivenCode::key);
        }
        if (this == REFERRER) {
            return Optional.of(SiteArrival.host(text.contains("://") ? text : "http://" + text))
                    .filter(host -> !host.isEmpty() && host.length() <= MAX_HOST);
        }
        return Tag.isPossible(text) ? Optional.of(Tag.of(text).value()) : Optional.empty();
    }
}
