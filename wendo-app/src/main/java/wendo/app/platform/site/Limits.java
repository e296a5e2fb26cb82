package wendo.app.platform.site;

import wendo.core.links.ShareCard;
import wendo.core.links.SlugPattern;
import wendo.core.links.Tag;
import wendo.core.links.WebAddress;
import wendo.core.media.EmailAddress;
import wendo.core.media.Placeholder;
import wendo.core.outcomes.OutcomeReport;

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

    /** What messengers and networks show of a shared link. */
    public static final int SHARED_TITLE = ShareCard.MAX_TITLE;

    public static final int SHARED_TEXT = ShareCard.MAX_TEXT;

    /** A paragraph for visitors. */
    public static final int TEXT = 600;

    /** What goes out as a text message or an e-mail. */
    public static final int MESSAGE = 2_000;

    /** A note on anything. */
    public static final int NOTE = 1_000;

    /** A note on spend. */
    public static final int SPEND_NOTE = 200;

    /** The name of a button. */
    public static final int BUTTON = 40;

    /** What a step of a follow-up plan asks somebody to do. */
    public static final int PLAN_TASK = 300;

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

    /** What another system calls an outcome. */
    public static final int REFERENCE = OutcomeReport.MAX_REFERENCE;

    /** A telephone number, as it was typed. */
    public static final int PHONE = 60;

    /** A code or an answer that stands for a source. */
    public static final int ANSWER = 200;

    /** What is looked for: an address may be pasted. */
    public static final int SEARCH = 2_000;

    /** An e-mail address. */
    public static final int EMAIL = EmailAddress.MAX_LENGTH;

    /** A fragment of an e-mail address, a telephone number or a reference. */
    public static final int IDENTITY = EmailAddress.MAX_LENGTH;

    /** A web address. */
    public static final int ADDRESS = WebAddress.MAX_LENGTH;

    /** A host's name: RFC 1035, 2.3.4. */
    public static final int HOST = 255;

    /** The ending of a link, or the pattern that makes it. */
    public static final int ENDING = SlugPattern.MAX_LENGTH;

    /** The name of a parameter of an address. */
    public static final int PARAMETER = 60;

    /** What a parameter of an address says. */
    public static final int PARAMETER_VALUE = Tag.MAX_LENGTH;

    /** The values that a parameter may have, in one line. */
    public static final int PARAMETER_VALUES = 4_000;

    /** What an e-mail service writes in place of the reader's address. */
    public static final int READER_PLACEHOLDER = Placeholder.MAX_LENGTH;

    /** One label. */
    public static final int LABEL = 40;

    /** So many labels one thing has at most. */
    public static final int MOST_LABELS = 10;

    /** Labels in one line, with what parts them. */
    public static final int LABELS = MOST_LABELS * (LABEL + 2);

    /** What heads an e-mail. */
    public static final int SUBJECT = 150;

    /** The note that a handover puts on a lead. */
    public static final int HANDOVER_NOTE = 600;

    /** What somebody writes in an entry form. */
    public static final int VISITOR_MESSAGE = 1_000;

    /** Countries or languages in one line. */
    public static final int CODES = 1_000;

    /** A colour, as style sheets write it. */
    public static final int COLOUR = 10;

    /** A day, as people write it. */
    public static final int DAY = 40;

    /** A time zone's name. */
    public static final int ZONE = 60;

    private Limits() {}
}
