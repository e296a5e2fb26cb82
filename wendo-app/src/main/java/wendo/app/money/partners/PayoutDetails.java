package wendo.app.money.partners;

import java.math.BigDecimal;
import java.util.Locale;

/**
 * How a partner is paid.
 *
 * @param iban in its normal form; empty text unless the way is a bank account
 * @param other in words, where it is no bank account
 * @param minimumMinor less than this is carried forward, in minor units
 */
record PayoutDetails(Way way, String accountName, String iban, String bic, String other, long minimumMinor, Tax tax) {
    /** How money reaches a partner. */
    enum Way {
        NONE,
        IBAN,
        OTHER;

        String key() {
            return this == NONE ? "" : name().toLowerCase(Locale.ROOT);
        }

        static Way of(String key) {
            for (Way way : values()) {
                if (way.key().equals(key)) {
                    return way;
                }
            }
            return NONE;
        }
    }

    /**
     * What the tax office wants to know.
     *
     * @param selfBilling whether the business writes the partner's invoices
     * @param percent that is added to a commission on them
     */
    record Tax(String number, String note, boolean selfBilling, BigDecimal percent) {}
}
