package wendo.app.outcome.imports;

import java.util.List;
import java.util.Locale;
import wendo.app.platform.site.Texts;
import wendo.core.links.Tag;

/** What a column of a file may hold, with headings that are known for it. */
enum ImportColumn {
    REFERENCE(
            "common.reference",
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
    VALUE(
            "outcome.imports.import-column.value",
            "value",
            "amount",
            "total",
            "net",
            "gross",
            "price",
            "sale-amount",
            "order-value"),
    COMMISSION(
            "outcome.imports.import-column.commission",
            "commission",
            "payout",
            "earnings",
            "publisher-commission",
            "reward"),
    DELIVERY(
            "outcome.imports.import-column.delivery",
            "delivery",
            "shipping",
            "postage",
            "delivery-cost",
            "shipping-cost"),
    DAY(
            "outcome.imports.import-column.day",
            "date",
            "day",
            "when",
            "time",
            "booked-on",
            "order-date",
            "transaction-date",
            "created"),
    STATUS("outcome.imports.import-column.status", "status", "state"),
    CLICK("outcome.imports.import-column.click", "click-id", "clickid", "click", "sub-id", "subid", "sub-id-1", "wcl"),
    CODE(
            "outcome.imports.import-column.code",
            "code",
            "coupon",
            "coupon-code",
            "voucher-code",
            "promo-code",
            "discount-code"),
    NAME("outcome.imports.import-column.name", "name", "customer", "customer-name", "full-name"),
    EMAIL("outcome.imports.import-column.email", "email", "e-mail", "email-address", "customer-email"),
    PHONE("outcome.imports.import-column.phone", "phone", "phone-number", "mobile", "telephone"),
    ANSWER("outcome.imports.import-column.answer", "answer", "heard", "how-did-you-hear", "how-did-you-hear-of-us"),
    ITEMS("outcome.imports.import-column.items", "items", "item", "product", "course", "description"),
    NOTE("outcome.imports.import-column.note", "note", "notes", "comment", "comments");

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
        return Texts.of(label);
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
