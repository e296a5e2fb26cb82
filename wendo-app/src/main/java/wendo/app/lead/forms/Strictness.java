package wendo.app.lead.forms;

import java.util.Arrays;
import java.util.Locale;
import wendo.app.platform.site.Texts;

/** How strictly a link's form looks at how somebody can be reached. */
enum Strictness {
    LIGHT("lead.forms.strictness.light-one-way-to-reach"),
    USUAL("lead.forms.strictness.usual-what-the-form-needs"),
    STRICT("lead.forms.strictness.strict-every-contact-field-it");

    private final String words;

    Strictness(String words) {
        this.words = words;
    }

    public String key() {
        return name().toLowerCase(Locale.ROOT);
    }

    public String words() {
        return Texts.of(words);
    }

    static Strictness of(String key) {
        return Arrays.stream(values())
                .filter(one -> one.key().equals(key))
                .findFirst()
                .orElse(USUAL);
    }
}
