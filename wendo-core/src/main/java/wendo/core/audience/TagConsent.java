package wendo.core.audience;

/**
 * Whether a visitor tag may be used on a visitor. Source: ours. Where the browser sends Global Privacy Control (W3C, {@code
 * Sec-GPC: 1}) nothing is passed on and nobody is asked, whatever was answered before.
 */
public final class TagConsent {
    private TagConsent() {}

    /** What is on record of a visitor, for one brand and purpose. */
    public enum Recorded {
        YES,
        NO,
        NOTHING
    }

    /** Who asks: this is a brand's choice. */
    public enum Asker {
        LINK_DOMAIN,
        DESTINATION
    }

    public enum Decision {
        TAG,
        ASK,
        /** An earlier answer was no. */
        DECLINED,
        /** The browser asks for privacy. */
        SIGNAL,
        /** The destination's own banner decides. */
        LEFT
    }

    /** @param hasSignal whether the browser sends Global Privacy Control */
    public static Decision decide(TagPurpose purpose, Recorded recorded, boolean hasSignal, Asker asker) {
        if (hasSignal) {
            return Decision.SIGNAL;
        }
        if (!purpose.isAsked()) {
            return Decision.TAG;
        }
        if (asker == Asker.DESTINATION) {
            return Decision.LEFT;
        }
        return switch (recorded) {
            case YES -> Decision.TAG;
            case NO -> Decision.DECLINED;
            case NOTHING -> Decision.ASK;
        };
    }
}
