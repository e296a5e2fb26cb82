package wendo.app.money.registration;

import java.util.Map;
import java.util.Optional;
import wendo.app.platform.site.InvalidForm;
import wendo.app.platform.site.Limits;
import wendo.app.platform.site.Texts;
import wendo.app.platform.site.TypedFields;
import wendo.core.media.EmailAddress;

/** Who would like to be a partner, as typed. */
record RegistrationForm(String name, String contact, String email, String website, String said, String language) {
    /** What was typed if nothing is wrong with it, or nothing once {@code faults} has what is. */
    static Optional<RegistrationForm> check(TypedFields typed, String language, Map<String, String> faults) {
        String name = typed.text("name");
        String contact = typed.text("contact");
        InvalidForm.tooLong(faults, "name", name, Limits.NAME);
        InvalidForm.tooLong(faults, "contact", contact, Limits.NAME);
        InvalidForm.tooLong(faults, "website", typed.text("website"), Limits.CONTACT);
        InvalidForm.tooLong(faults, "said", typed.text("said"), Limits.NOTE);
        if (name.isEmpty()) {
            faults.put("name", Texts.of("money.registration.name-missing"));
        }
        if (contact.isEmpty()) {
            faults.put("contact", Texts.of("money.registration.contact-missing"));
        }
        Optional<EmailAddress> email = EmailAddress.find(typed.text("email"));
        if (email.isEmpty()) {
            faults.put("email", Texts.of("money.partners.email-wrong"));
        }
        return faults.isEmpty()
                ? Optional.of(new RegistrationForm(
                        name,
                        contact,
                        email.orElseThrow().value(),
                        typed.text("website"),
                        typed.text("said"),
                        language))
                : Optional.empty();
    }
}
