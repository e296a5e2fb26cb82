package wendo.core.partners;

import java.util.Locale;
import java.util.Optional;
import org.apache.commons.validator.routines.IBANValidator;
import org.apache.commons.validator.routines.checkdigit.IBANCheckDigit;

/** An international bank account number, checked by ISO 13616: its country's length and form, and ISO 7064 MOD 97-10. */
public record Iban(String value) {
    private static final int GROUP = 4;

    public Iban {
        if (!IBANValidator.DEFAULT_IBAN_VALIDATOR.isValid(value)) {
            throw new IllegalArgumentException("Not an IBAN: " + value);
        }
    }

    /** Spaces and letter case do not matter. */
    public static Optional<Iban> find(String typed) {
        String plain = typed.replaceAll("[\\s\\u00a0-]", "").toUpperCase(Locale.ROOT);
        return IBANValidator.DEFAULT_IBAN_VALIDATOR.isValid(plain) ? Optional.of(new Iban(plain)) : Optional.empty();
    }

    /** Whether it would be one but for its check digits: a digit was mistyped. */
    public static boolean isMistyped(String typed) {
        String plain = typed.replaceAll("[\\s\\u00a0-]", "").toUpperCase(Locale.ROOT);
        return plain.matches("[A-Z]{2}[0-9]{2}[A-Z0-9]{11,30}") && !IBANCheckDigit.IBAN_CHECK_DIGIT.isValid(plain);
    }

    /** In groups of four, as it is printed. */
    public String grouped() {
        return value.replaceAll("(.{%d})(?=.)".formatted(GROUP), "$1 ");
    }

    /** Its country and its last four digits. */
    public String masked() {
        return value.substring(0, 2) + " … " + value.substring(value.length() - GROUP);
    }
}
