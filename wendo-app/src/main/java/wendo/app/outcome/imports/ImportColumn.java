package wendo.app.outcome.imports;

import java.util.List;
import java.util.Locale;
import wendo.app.platform.site.Texts;
import wendo.core.links.Tag;

/** What a column of a file may hold, with headings that are known for it. */
enum ImportColumn {
    REFERENCE(
            Texts.of("common.reference"),
            "reference",
            "order",
            "order-number",
            "order-id",
            "booking",
            "booking-number",
            "booking-ref",
            "receipt",
            "transaction",
            "transaction-id",
            "id"),
    VALUE("Value", "value", "amount", "total", "net", "gross", "price", "sale-amount", "order-value"),
    DAY("When it happened", "date", "day", "when", "time", "booked-on", "order-date", "transaction-date", "created"),
    STATUS("Status", "status", "state"),
    CLICK("Click identifier", "click-id", "clickid", "click", "sub-id", "subid", "sub-id-1", "wcl"),
    CODE("Code", "code", "coupon", "coupon-code", "voucher-code", "promo-code", "discount-code"),
    NAME("Name", "name", "customer", "customer-name", "full-name"),
    EMAIL("E-mail", "email", "e-mail", "email-address", "customer-email"),
    PHONE("Phone", "phone", "phone-number", "mobile", "telephone"),
    ANSWER("How they heard of you", "answer", "heard", "how-did-you-hear", "how-did-you-hear-of-us"),
    ITEMS("Of what", "items", "item", "product", "course", "description"),
    NOTE("Note", "note", "notes", "comment", "comments");

    private final String label;
    private final List<String> headings;

    ImportColumn(String label, String... headings) {
        this.label = label;
        this.headings = List.of(headings);
    }

    public String key() {
        return name().toLowerCase(Locale.ROOT);
    }

    public String label() {
        return label;
    }

    /** The place of the column whose heading is known for this; -1 if there is none. The first known heading wins. */
    int guess(List<String> columns) {
        for (String heading : headings) {
            for (int i = 0; i < columns.size(); i++) {
                if (Tag.isPossible(columns.get(i))
                        && Tag.of(columns.get(i)).value().equals(heading)) {
                    return i;
                }
            }
        }
        return -1;
    }
}
