package wendo.app.place.messages;

import jakarta.validation.constraints.Size;
import java.util.Map;
import java.util.Optional;
import wendo.app.platform.business.Business;
import wendo.app.platform.site.Amount;
import wendo.app.platform.site.FormRules;
import wendo.app.platform.site.Limits;
import wendo.app.platform.site.Texts;
import wendo.app.platform.site.TypedFields;
import wendo.core.measure.UnitPrice;

/** A message as typed, with the number of recipients and the price of a segment. */
record MessageForm(@Size(max = MAX_TEXT) String text, String recipients, String price) {
    static final int MAX_TEXT = Limits.MESSAGE;

    /** What could be read, and what could not by field. */
    record Read(Optional<Long> recipients, Optional<UnitPrice> price, Map<String, String> faults) {}

    static MessageForm of(TypedFields typed) {
        return new MessageForm(typed.raw("text").replace("\r\n", "\n"), typed.raw("recipients"), typed.raw("price"));
    }

    Read read(Business business) {
        Map<String, String> faults = FormRules.faults(this);
        Optional<Long> number = Optional.empty();
        String digits = recipients.replaceAll("[\\s.,'’\\u00a0\\u202f]", "");
        if (digits.matches("\\d{1,8}")) {
            number = Optional.of(Long.parseLong(digits));
        } else if (!digits.isEmpty()) {
            faults.put("recipients", Texts.of("place.messages.enter-a-whole-number"));
        }
        Optional<UnitPrice> unit = Optional.empty();
        try {
            unit = price.isBlank()
                    ? Optional.empty()
                    : Optional.of(Amount.unitPrice(price, business.currency(), business.locale()));
        } catch (IllegalArgumentException e) {
            faults.put("price", Texts.said(e));
        }
        return new Read(number, unit, faults);
    }
}
