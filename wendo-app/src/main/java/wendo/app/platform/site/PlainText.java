package wendo.app.platform.site;

import java.util.Locale;
import java.util.regex.Pattern;

/** What text may hold: no control characters but tabs and line ends, and no half of a surrogate pair. */
public final class PlainText {
    /** What to say of text that holds something else. */
    public static String fault() {
        return Texts.of("platform.site.control-character");
    }

    /** The same for a program. */
    public static String englishFault() {
        return Texts.in(Locale.ENGLISH, "platform.site.control-character");
    }

    private static final Pattern ESCAPED = Pattern.compile(
            "(?i)(?<!\\\\)(?:\\\\\\\\)*(?:\\\\u00(?:0[0-8bcef]|1[0-9a-f]|7f)|\\\\ud[89ab][0-9a-f]{2}(?!\\\\ud[c-f])|(?<!\\\\ud[89ab][0-9a-f]{2})\\\\ud[c-f][0-9a-f]{2})");

    private PlainText() {}

    public static boolean is(String text) {
        for (int i = 0; i < text.length(); i++) {
            char c = text.charAt(i);
            boolean isPair = Character.isHighSurrogate(c)
                    && i + 1 < text.length()
                    && Character.isLowSurrogate(text.charAt(i + 1));
            boolean isLineEnd = c == '\t' || c == '\n' || c == '\r';
            if (Character.isISOControl(c) && !isLineEnd || Character.isSurrogate(c) && !isPair) {
                return false;
            }
            i += isPair ? 1 : 0;
        }
        return true;
    }

    /** JSON may escape them. */
    public static boolean isJson(String json) {
        return is(json) && !ESCAPED.matcher(json).find();
    }
}
