package wendo.app.money.partners;

import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import wendo.app.platform.site.InvalidForm;
import wendo.app.platform.site.Texts;
import wendo.app.platform.site.TypedFields;
import wendo.core.partners.Iban;

/**
 * An account as it is typed, a partner's or the business's own.
 *
 * @param iban in its normal form; empty text where it is none
 * @param bic empty text where none was typed
 */
public record BankAccount(String name, String iban, String bic) {
    private static final int MAX_NAME = 70; // ISO 20022, as SEPA takes it
    private static final String BIC = "[A-Z]{6}[A-Z0-9]{2}([A-Z0-9]{3})?"; // ISO 9362

    /** Reads {@code iban}, {@code bic} and the field with the name; adds what is wrong. */
    public static BankAccount read(TypedFields typed, String nameField, Map<String, String> faults) {
        String name = typed.text(nameField);
        InvalidForm.tooLong(faults, nameField, name, MAX_NAME);
        if (name.isEmpty()) {
            faults.put(nameField, Texts.of("money.partners.account-name-missing"));
        }
        String bic = typed.text("bic").replace(" ", "").toUpperCase(Locale.ROOT);
        if (!bic.isEmpty() && !bic.matches(BIC)) {
            faults.put("bic", Texts.of("money.partners.bic-wrong"));
        }
        Optional<Iban> iban = Iban.find(typed.text("iban"));
        if (iban.isEmpty()) {
            faults.put("iban", wrong(typed.text("iban")));
        }
        return new BankAccount(name, iban.map(Iban::value).orElse(""), bic);
    }

    private static String wrong(String iban) {
        if (iban.isEmpty()) {
            return Texts.of("money.partners.iban-missing");
        }
        return Texts.of(Iban.isMistyped(iban) ? "money.partners.iban-mistyped" : "money.partners.iban-wrong");
    }
}
