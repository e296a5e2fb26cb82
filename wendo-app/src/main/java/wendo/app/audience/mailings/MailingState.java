package wendo.app.audience.mailings;

import java.util.Locale;

/** How far a mailing is. */
enum MailingState {
    DRAFT,
    PREPARING,
    SENDING,
    PAUSED,
    SENT,
    STOPPED;

    static MailingState of(String key) {
        return valueOf(key.toUpperCase(Locale.ROOT));
    }

    public String key() {
        return name().toLowerCase(Locale.ROOT);
    }

    public boolean isDraft() {
        return this == DRAFT;
    }

    public boolean isOver() {
        return this == SENT || this == STOPPED;
    }

    public boolean isUnderWay() {
        return this == PREPARING || this == SENDING;
    }
}
