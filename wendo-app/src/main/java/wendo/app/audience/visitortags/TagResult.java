package wendo.app.audience.visitortags;

import java.util.Arrays;
import java.util.Locale;
import java.util.Optional;
import wendo.core.audience.TagConsent;

/** What became of a tag on one visit. */
public enum TagResult {
    /** The visitor was shown the question; what they answered is counted beside it. */
    ASKED('a'),
    AGREED('y'),
    DECLINED('n'),
    /** An earlier answer was no. */
    REMEMBERED('r'),
    /** The question was left alone. */
    UNANSWERED('u'),
    /** The browser asks for privacy. */
    SIGNAL('s'),
    /** Left to the destination's banner. */
    LEFT('l'),
    TAGGED('t'),
    FAILED('f');

    private final char letter;

    TagResult(char letter) {
        this.letter = letter;
    }

    public static TagResult of(TagConsent.Decision decision) {
        return switch (decision) {
            case TAG -> TAGGED;
            case ASK -> ASKED;
            case DECLINED -> REMEMBERED;
            case SIGNAL -> SIGNAL;
            case LEFT -> LEFT;
        };
    }

    /** As a visit is logged with it. */
    public char letter() {
        return letter;
    }

    static Optional<TagResult> find(char letter) {
        return Arrays.stream(values()).filter(one -> one.letter == letter).findFirst();
    }

    String key() {
        return name().toLowerCase(Locale.ROOT);
    }
}
