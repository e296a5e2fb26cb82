package wendo.core.media;

import com.google.i18n.phonenumbers.NumberParseException;
import com.google.i18n.phonenumbers.PhoneNumberUtil;
import com.google.i18n.phonenumbers.Phonenumber;
import java.util.Optional;

/** A phone number in its international form (ITU-T E.164): a plus and at most 15 digits. */
public record PhoneNumber(String value) {
    /** A number with separators and an extension; longer texts hold something else. */
    private static final int MAX_TYPED = 60;

    /** @param country where numbers without a country's code are (ISO 3166-1 alpha-2) */
    public static Optional<PhoneNumber> find(String typed, String country) {
        PhoneNumberUtil numbers = PhoneNumberUtil.getInstance();
        if (typed.length() > MAX_TYPED) {
            return Optional.empty();
        }
        try {
            Phonenumber.PhoneNumber number = numbers.parse(typed.strip(), country);
            return numbers.isPossibleNumber(number)
                    ? Optional.of(new PhoneNumber(numbers.format(number, PhoneNumberUtil.PhoneNumberFormat.E164)))
                    : Optional.empty();
        } catch (NumberParseException e) {
            return Optional.empty();
        }
    }

    /** Whether the numbering plan of its country has numbers like this one; others can be dialled in vain only. */
    public boolean isInUse() {
        PhoneNumberUtil numbers = PhoneNumberUtil.getInstance();
        try {
            return numbers.isValidNumber(numbers.parse(value, null));
        } catch (NumberParseException e) {
            return false;
        }
    }
}
