package wendo.app.place.messages;

import java.util.Locale;
import wendo.core.media.EmailAddress;
import wendo.core.media.PhoneNumber;

/**
 * Where somebody can be reached: a phone number in its international form (E.164) and an e-mail address in lower case,
 * either of them empty text if there is none, and what was wrong with what stood there.
 */
record Contact(String phone, String email, String fault) {
    /** Numbers without a country are the business's country's. */
    static Contact of(String typedPhone, String typedEmail, Locale locale) {
        String phone = PhoneNumber.find(typedPhone, locale.getCountry())
                .map(PhoneNumber::value)
                .orElse("");
        String email = EmailAddress.find(typedEmail).map(EmailAddress::value).orElse("");
        String fault = "";
        if (!typedPhone.isBlank() && phone.isEmpty()) {
            fault = "“%s” is no phone number that can be dialled.".formatted(shortened(typedPhone.strip()));
        } else if (!typedEmail.isBlank() && email.isEmpty()) {
            fault = "“%s” is no e-mail address.".formatted(shortened(typedEmail.strip()));
        } else if (phone.isEmpty() && email.isEmpty()) {
            fault = "There is neither a phone number nor an e-mail address.";
        }
        return new Contact(phone, email, fault);
    }

    private static String shortened(String text) {
        return text.length() <= 60 ? text : text.substring(0, 60) + "…";
    }
}
