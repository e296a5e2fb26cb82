package wendo.app.place.subscribers;

/** What came of somebody's press to join a list. */
public enum JoinAnswer {
    JOINED,
    /** They were sent a mail and have to confirm. */
    ASKED
}
