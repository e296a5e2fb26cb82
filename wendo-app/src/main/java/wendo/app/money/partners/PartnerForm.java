package wendo.app.money.partners;

import java.math.BigDecimal;
import java.util.LinkedHashMap;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import wendo.app.money.partners.PayoutDetails.Tax;
import wendo.app.money.partners.PayoutDetails.Way;
import wendo.app.platform.business.Business;
import wendo.app.platform.site.Amount;
import wendo.app.platform.site.InvalidForm;
import wendo.app.platform.site.Limits;
import wendo.app.platform.site.Texts;
import wendo.app.platform.site.TypedFields;
import wendo.core.media.EmailAddress;
import wendo.core.media.PhoneNumber;

/** Who a partner is and how it is paid, as typed. */
final class PartnerForm {
    private static final int MAX_TAX_NUMBER = 40;

    private PartnerForm() {}

    /** Whom the business talks to. */
    record Contact(String name, String email, String phone, String language, String note) {}

    /** What may be kept, if nothing is wrong. */
    record Judged<T>(T checked, Map<String, String> faults) {}

    static Judged<Contact> contact(TypedFields typed, Business business) {
        Map<String, String> faults = new LinkedHashMap<>();
        String name = typed.text("contact");
        String note = typed.text("note");
        InvalidForm.tooLong(faults, "contact", name, Limits.NAME);
        InvalidForm.tooLong(faults, "note", note, Limits.NOTE);
        Optional<EmailAddress> email = EmailAddress.find(typed.text("email"));
        if (email.isEmpty() && !typed.text("email").isEmpty()) {
            faults.put("email", Texts.of("money.partners.email-wrong"));
        }
        Optional<PhoneNumber> phone =
                PhoneNumber.find(typed.text("phone"), business.locale().getCountry());
        if (phone.isEmpty() && !typed.text("phone").isEmpty()) {
            faults.put("phone", Texts.of("money.partners.phone-wrong"));
        }
        String language = Texts.PUBLIC.stream()
                .map(Locale::getLanguage)
                .filter(typed.text("language")::equals)
                .findFirst()
                .orElse(business.locale().getLanguage());
        return new Judged<>(
                new Contact(
                        name,
                        email.map(EmailAddress::value).orElse(""),
                        phone.map(PhoneNumber::value).orElse(""),
                        language,
                        note),
                faults);
    }

    static Judged<PayoutDetails> payout(TypedFields typed, Business business) {
        Map<String, String> faults = new LinkedHashMap<>();
        Way way = Way.of(typed.text("payout"));
        BankAccount account = way == Way.IBAN
                ? BankAccount.read(typed, "accountName", faults)
                : new BankAccount(typed.text("accountName"), "", "");
        String other = typed.text("payoutOther");
        InvalidForm.tooLong(faults, "accountName", account.name(), Limits.SHORT_NAME);
        InvalidForm.tooLong(faults, "payoutOther", other, Limits.REASON);
        InvalidForm.tooLong(faults, "taxNumber", typed.text("taxNumber"), MAX_TAX_NUMBER);
        InvalidForm.tooLong(faults, "taxNote", typed.text("taxNote"), Limits.REASON);
        if (way == Way.OTHER && other.isEmpty()) {
            faults.put("payoutOther", Texts.of("money.partners.payout-other-missing"));
        }
        BigDecimal percent = percent("taxPercent", typed.text("taxPercent"), faults);
        return new Judged<>(
                new PayoutDetails(
                        way,
                        account.name(),
                        account.iban(),
                        account.bic(),
                        other,
                        minor("minimum", typed.text("minimum"), business, faults),
                        new Tax(
                                typed.text("taxNumber"),
                                typed.text("taxNote"),
                                typed.is("selfBilling", "yes"),
                                percent)),
                faults);
    }

    /** A share with a point or a comma; nothing typed is nothing. */
    static BigDecimal percent(String field, String typed, Map<String, String> faults) {
        String plain = typed.replace("%", "").replace(',', '.').strip();
        if (plain.isEmpty()) {
            return BigDecimal.ZERO;
        }
        if (!plain.matches("\\d{1,3}(\\.\\d{1,3})?") || new BigDecimal(plain).compareTo(BigDecimal.valueOf(100)) > 0) {
            faults.put(field, Texts.of("money.partners.percent-wrong"));
            return BigDecimal.ZERO;
        }
        return new BigDecimal(plain);
    }

    /** In minor units; nothing typed, or nothing, is 0. */
    static long minor(String field, String typed, Business business, Map<String, String> faults) {
        @Nullable Long minor = minorOrNone(field, typed, business, faults);
        return minor == null ? 0 : minor;
    }

    static @Nullable Long minorOrNone(String field, String typed, Business business, Map<String, String> faults) {
        if (typed.isEmpty() || typed.matches("0([.,]0+)?")) {
            return typed.isEmpty() ? null : Long.valueOf(0);
        }
        try {
            return Amount.of(typed, business.currency(), business.locale()).minor();
        } catch (IllegalArgumentException e) {
            faults.put(field, Texts.said(e));
            return null;
        }
    }
}
