package wendo.app.lead.forms;

import java.util.Locale;

/** Whether a form asks for something. */
enum Ask {
    OFF,
    ASKED,
    NEEDED;

    public String key() {
        return name().toLowerCase(Locale.ROOT);
    }

    static Ask of(String key) {
        return key.equals("needed") ? NEEDED : key.equals("asked") ? ASKED : OFF;
    }
}
