package wendo.core.links;

import java.util.regex.Pattern;

/**
 * How messengers and networks show a link that somebody shares: a title, a text and beside them a picture. What is too
 * long is cut after a word.
 */
public record ShareCard(String title, String text) {
    /** What messengers show of a title and a text is about this much. Common practice. */
    public static final int MAX_TITLE = 100;

    public static final int MAX_TEXT = 200;

    /** The usual shape of the picture, 1.91 to 1. Common practice. */
    public static final int PICTURE_WIDTH = 1200;

    public static final int PICTURE_HEIGHT = 630;

    private static final Pattern SPACE = Pattern.compile("[\\s\\u00a0]+");
    private static final String MORE = "…";

    public static final ShareCard NONE = new ShareCard("", "");

    public ShareCard {
        title = fitting(title, MAX_TITLE);
        text = fitting(text, MAX_TEXT);
    }

    public boolean isEmpty() {
        return title.isEmpty();
    }

    /** This card, with another's words where it has none of its own. */
    public ShareCard orElse(ShareCard other) {
        return new ShareCard(title.isEmpty() ? other.title : title, text.isEmpty() ? other.text : text);
    }

    private static String fitting(String written, int most) {
        String line = SPACE.matcher(written).replaceAll(" ").strip();
        if (line.length() <= most) {
            return line;
        }
        String cut = line.substring(0, most - MORE.length());
        int lastWord = cut.lastIndexOf(' ');
        String kept = line.charAt(cut.length()) == ' ' || lastWord < 0 ? cut : cut.substring(0, lastWord);
        return whole(kept).stripTrailing() + MORE;
    }

    /** Without half a character at its end. */
    private static String whole(String text) {
        return !text.isEmpty() && Character.isHighSurrogate(text.charAt(text.length() - 1))
                ? text.substring(0, text.length() - 1)
                : text;
    }
}
