package wendo.app.place.messages;

import java.util.Locale;
import wendo.app.platform.site.Texts;
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
            fault = Texts.of("place.messages.is-not-a-phone-number", shortened(typedPhone.strip()));
        } else if (!typedEmail.isBlank() && email.isEmpty()) {
            fault = Texts.of("place.messages.is-not-an-e-mail", shortened(typedEmail.strip()));
        } else if (phone.isEmpty() && email.isEmpty()) {
            fault = Texts.of("place.messages.there-is-neither-a-phone");
        }
        return new Contact(phone, email, fault);
    }

    private static String shortened(String text) {
        return text.length() <= 60 ? text : text.substring(0, 60) + "…";
    }
}
