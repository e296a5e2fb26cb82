package wendo.app.platform.site;

import java.util.Map;
import org.springframework.http.HttpStatus;
import org.springframework.web.servlet.ModelAndView;

/** A form that was refused: the same page again with what was typed, and what is wrong with it. */
public final class InvalidForm {
    private InvalidForm() {}

    public static ModelAndView of(ModelAndView page) {
        page.setStatus(HttpStatus.UNPROCESSABLE_CONTENT);
        return page;
    }

    /** Notes a text that is longer than it may be. */
    public static void tooLong(Map<String, String> faults, String field, String text, int most) {
        int length = text.strip().length();
        if (length > most) {
            faults.put(field, tooLong(length, most));
        }
    }

    static String tooLong(int length, int most) {
        return Texts.of("platform.site.it-may-have-characters-this", most, length);
    }
}
