package wendo.core.audience;

import java.util.Arrays;
import java.util.Optional;

/** What a visitor has to have agreed to before a visitor tag may be used on them. */
public enum TagPurpose {
    /** The tag tells nobody anything about the visitor, so nothing is asked. */
    NONE("none", '-'),
    MEASUREMENT("measurement", 'm'),
    ADVERTISING("advertising", 'a');

    private final String key;
    private final char letter;

    TagPurpose(String key, char letter) {
        this.key = key;
        this.letter = letter;
    }

    public String key() {
        return key;
    }

    /** As an answer is written where there is little room. */
    public char letter() {
        return letter;
    }

    public boolean isAsked() {
        return this != NONE;
    }

    public static Optional<TagPurpose> find(String key) {
        return Arrays.stream(values()).filter(one -> one.key.equals(key)).findFirst();
    }
}
