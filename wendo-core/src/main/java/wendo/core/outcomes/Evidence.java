package wendo.core.outcomes;

import java.util.Arrays;
import java.util.Locale;

/** What can join an outcome to a source, strongest first. The order is ours. */
public enum Evidence {
    /** Somebody of the business set it by hand, knowing what no report tells. */
    SET,
    /** A partner said that it was theirs, and somebody of the business agreed. */
    CLAIM,
    /** The click identifier of a visit came back. */
    CLICK,
    /** A partner's code or a coupon was given. */
    CODE,
    /** A partner's report or postback named it. */
    PARTNER,
    /** The same visitor, told by a first-party cookie. */
    VISITOR,
    /** The e-mail or phone of a personal link's recipient, or of an earlier lead. */
    CONTACT,
    /** What the customer said when asked. */
    ANSWER,
    /** A referring page or tags, without a link. */
    REFERRER;

    public String key() {
        return name().toLowerCase(Locale.ROOT);
    }

    /** Throws on a key that is none. */
    public static Evidence of(String key) {
        return Arrays.stream(values())
                .filter(one -> one.key().equals(key))
                .findFirst()
                .orElseThrow(() ->
                        new IllegalArgumentException("Evidence must be one of its keys, but was \"" + key + "\""));
    }

    public boolean isStrongerThan(Evidence other) {
        return compareTo(other) < 0;
    }
}
