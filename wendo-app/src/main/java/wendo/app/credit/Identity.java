package wendo.app.credit;

import java.util.UUID;
import wendo.app.platform.site.Texts;

/**
 * What a person can be recognised by.
 *
 * @param kind visitor (of links), browser (on the business's own site), email or phone
 * @param person the same number for all that is joined
 */
record Identity(UUID id, String kind, String key, UUID person) {

    public boolean isContact() {
        return kind.equals("email") || kind.equals("phone");
    }

    /** As people read it; identifiers that only machines read are left out. */
    public String shown() {
        return switch (kind) {
            case "visitor" -> Texts.of("credit.a-visitor-of-links");
            case "browser" -> Texts.of("credit.a-browser-on-the-website");
            default -> key;
        };
    }
}
