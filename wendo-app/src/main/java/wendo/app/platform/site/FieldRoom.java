package wendo.app.platform.site;

import org.springframework.stereotype.Component;

/** How many characters a page's field takes. */
@Component("room")
public class FieldRoom {
    /** A fifth more than may be kept: who pastes too much is told so, and nothing is cut off behind their back. */
    public int of(Record form, String field) {
        return FormRules.most(form.getClass(), field) * 6 / 5;
    }
}
