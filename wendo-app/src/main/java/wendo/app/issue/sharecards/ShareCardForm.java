package wendo.app.issue.sharecards;

import java.util.HashMap;
import java.util.Map;
import wendo.app.platform.site.InvalidForm;
import wendo.app.platform.site.Limits;
import wendo.app.platform.site.TypedFields;
import wendo.core.links.ShareCard;

/** What is typed of a link's card. */
record ShareCardForm(String title, String text) {
    static ShareCardForm of(ShareCard card) {
        return new ShareCardForm(card.title(), card.text());
    }

    static ShareCardForm of(TypedFields typed) {
        return new ShareCardForm(typed.raw("title"), typed.raw("text"));
    }

    Map<String, String> faults() {
        Map<String, String> faults = new HashMap<>();
        InvalidForm.tooLong(faults, "title", title, Limits.SHARED_TITLE);
        InvalidForm.tooLong(faults, "text", text, Limits.SHARED_TEXT);
        return faults;
    }

    ShareCard card() {
        return new ShareCard(title, text);
    }
}
