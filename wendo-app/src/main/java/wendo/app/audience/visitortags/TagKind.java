package wendo.app.audience.visitortags;

import java.util.Locale;
import wendo.app.platform.site.Texts;

/** How an ad desk is called. */
public enum TagKind {
    /** The visitor's browser fetches a picture of the desk's. */
    IMAGE("audience.visitortags.kind-image"),
    /** The visitor's browser runs the desk's script, shut up on a page of its own. */
    SCRIPT("audience.visitortags.kind-script"),
    /** Wendo calls the desk; the visitor's browser has no part in it. */
    SERVER("audience.visitortags.kind-server");

    private final String label;

    TagKind(String label) {
        this.label = label;
    }

    public String key() {
        return name().toLowerCase(Locale.ROOT);
    }

    public String label() {
        return Texts.of(label);
    }
}
