package wendo.app.evidence;

import java.util.Arrays;
import java.util.Locale;
import java.util.Optional;
import wendo.core.links.Tag;
import wendo.core.outcomes.GivenCode;

/** What can stand for a source without a link. */
enum ClueKind {
    CODE,
    ANSWER;

    public String key() {
        return name().toLowerCase(Locale.ROOT);
    }

    static Optional<ClueKind> find(String key) {
        return Arrays.stream(values()).filter(kind -> kind.key().equals(key)).findFirst();
    }

    /** What a text is compared by; empty if it cannot be one of this kind. */
    Optional<String> normal(String text) {
        if (this == CODE) {
            return GivenCode.find(text).map(GivenCode::key);
        }
        return Tag.isPossible(text) ? Optional.of(Tag.of(text).value()) : Optional.empty();
    }
}
