package wendo.app.prepare.evidence;

import wendo.app.platform.business.BusinessId;

/** A code or an answer stands for another source than before, or for none. */
public record ClueChanged(BusinessId business, String kind, String key) {

    /** Whether it is a website whose pages lead to the business's own. */
    public boolean isOfWebsite() {
        return kind.equals(ClueKind.REFERRER.key());
    }
}
