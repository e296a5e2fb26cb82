package wendo.app.visit.disclosure;

import java.util.Optional;
import wendo.app.platform.site.FilterValues;
import wendo.app.platform.site.Texts;

/** Where on a page the site tag says that links earn. */
enum DisclosurePlace {
    OFF("visit.disclosure.place-off"),
    FIRST("visit.disclosure.place-first"),
    EACH("visit.disclosure.place-each");

    private final String label;

    DisclosurePlace(String label) {
        this.label = label;
    }

    public String key() {
        return FilterValues.key(this);
    }

    public String label() {
        return Texts.of(label);
    }

    static Optional<DisclosurePlace> find(String key) {
        return FilterValues.one(values(), key);
    }
}
