package wendo.app.platform.site;

/** How many characters what people type may have. Rules read them here, and so do the fields of pages ({@link FieldRoom}). */
public final class Limits {
    /** The name of a source, a campaign or a destination. */
    public static final int NAME = 120;

    /** The name of a link. */
    public static final int LINK_NAME = 160;

    /** The name of what is only chosen from a list: a plan, a key, a network, a sender, a pattern, a system. */
    public static final int SHORT_NAME = 80;

    /** The name of a filter that is kept. */
    public static final int FILTER_NAME = 60;

    /** What heads a page for visitors or readers. */
    public static final int TITLE = 120;

    /** A paragraph for visitors. */
    public static final int TEXT = 600;

    /** What goes out as a text message or an e-mail. */
    public static final int MESSAGE = 2_000;

    /** A note on anything. */
    public static final int NOTE = 1_000;

    /** A note on spend. */
    public static final int SPEND_NOTE = 200;

    /** Why something was changed. */
    public static final int REASON = 300;

    /** Why a lead was lost. */
    public static final int LOST_REASON = 200;

    /** What is to be done. */
    public static final int TASK = 400;

    /** What stands beside a paid link. */
    public static final int DISCLOSURE = 300;

    /** What readers subscribe to. */
    public static final int PROMISE = 300;

    /** The words in which somebody was asked. */
    public static final int CONSENT_WORDS = 600;

    /** How somebody is reached, as it was typed. */
    public static final int CONTACT = 200;

    /** What an ad system fills in. */
    public static final int FILL = 500;

    /** What another system writes in place of a value. */
    public static final int PLACEHOLDER = 60;

    /** A code or an answer that stands for a source. */
    public static final int ANSWER = 200;

    /** What is looked for: an address may be pasted. */
    public static final int SEARCH = 2_000;

    private Limits() {}
}
