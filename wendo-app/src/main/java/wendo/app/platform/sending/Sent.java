package wendo.app.platform.sending;

/** What became of trying to send a message. */
sealed interface Sent {
    /** It was taken. */
    record Taken(String said) implements Sent {}

    /** It was surely not taken; it may be tried again. */
    record NotYet(String said) implements Sent {}

    /** It never will be. */
    record Refused(String said) implements Sent {}

    /** Nobody can say; it is not tried again. */
    record Unsure(String said) implements Sent {}
}
