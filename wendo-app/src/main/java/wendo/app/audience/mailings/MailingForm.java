package wendo.app.audience.mailings;

import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.UUID;
import wendo.app.place.messages.Messages;
import wendo.app.platform.business.Business;
import wendo.app.platform.consent.ConsentPurpose;
import wendo.app.platform.sending.MessageType;
import wendo.app.platform.site.Amount;
import wendo.app.platform.site.FilterValues;
import wendo.app.platform.site.InvalidForm;
import wendo.app.platform.site.Limits;
import wendo.app.platform.site.Texts;
import wendo.app.platform.site.TypedFields;
import wendo.core.measure.UnitPrice;
import wendo.core.media.MergeText;

/**
 * What a mailing says, and to how many at once.
 *
 * @param heldOutPercent of the people are drawn by lot and get nothing
 * @param segment what one segment of a text message costs, if that is known
 * @param sparesWeekly whether people whom another mailing wrote to within a week are left out
 */
record MailingForm(
        String name,
        UUID link,
        MessageType road,
        String subject,
        String body,
        int heldOutPercent,
        int perMinute,
        boolean sparesWeekly,
        Optional<UnitPrice> segment) {
    static final int MOST_HELD_OUT = 50;
    static final int MOST_PER_MINUTE = 6000;

    private static final UUID NONE = new UUID(0, 0);

    /** What was typed, with what is wrong by field. */
    record Read(MailingForm form, Map<String, String> typed, Map<String, String> faults) {}

    static Read read(TypedFields typed, Business business) {
        Map<String, String> faults = new HashMap<>();
        String name = typed.text("name");
        if (name.isEmpty()) {
            faults.put("name", Texts.of("audience.mailings.name-missing"));
        }
        InvalidForm.tooLong(faults, "name", name, Limits.NAME);
        MessageType road = typed.is("road", MessageType.TEXT.key()) ? MessageType.TEXT : MessageType.EMAIL;
        String subject = road == MessageType.EMAIL ? typed.text("subject") : "";
        if (road == MessageType.EMAIL && subject.isEmpty()) {
            faults.put("subject", Texts.of("audience.mailings.subject-missing"));
        }
        InvalidForm.tooLong(faults, "subject", subject, Limits.SUBJECT);
        String body = typed.raw("body").replace("\r\n", "\n");
        body(body, subject, faults);
        Optional<UUID> link = FilterValues.id(typed.text("link"));
        if (link.isEmpty()) {
            faults.put("link", Texts.of("audience.mailings.link-missing"));
        }
        MailingForm form = new MailingForm(
                name,
                link.orElse(NONE),
                road,
                subject,
                body,
                number(typed, "heldOut", new Bounds(0, MOST_HELD_OUT, 10), faults),
                number(typed, "perMinute", new Bounds(1, MOST_PER_MINUTE, 300), faults),
                typed.is("spares", "yes"),
                road == MessageType.TEXT ? segment(typed, business, faults) : Optional.empty());
        return new Read(form, typed.firstValues(), faults);
    }

    private static Optional<UnitPrice> segment(TypedFields typed, Business business, Map<String, String> faults) {
        String price = typed.text("price");
        try {
            return price.isEmpty()
                    ? Optional.empty()
                    : Optional.of(Amount.unitPrice(price, business.currency(), business.locale()));
        } catch (IllegalArgumentException e) {
            faults.put("price", Texts.said(e));
            return Optional.empty();
        }
    }

    private static void body(String body, String subject, Map<String, String> faults) {
        if (body.isBlank()) {
            faults.put("body", Texts.of("audience.mailings.body-missing"));
        }
        InvalidForm.tooLong(faults, "body", body, Limits.MESSAGE);
        for (String field : new MergeText(subject + "\n" + body).fields()) {
            if (!field.equals("name") && !field.equals("link")) {
                faults.put("body", Texts.of("audience.mailings.unknown-field", field));
            }
        }
        if (new MergeText(subject + "\n" + body).withoutFallback().contains("name")) {
            faults.put("body", Texts.of("audience.mailings.name-needs-fallback"));
        }
    }

    /** From which number to which, and what stands for nothing. */
    private record Bounds(int least, int most, int usual) {}

    private static int number(TypedFields typed, String field, Bounds bounds, Map<String, String> faults) {
        String text = typed.text(field);
        if (text.isEmpty()) {
            return bounds.usual();
        }
        int number = text.matches("\\d{1,5}") ? Integer.parseInt(text) : -1;
        if (number < bounds.least() || number > bounds.most()) {
            faults.put(field, Texts.of("audience.mailings.number-between", bounds.least(), bounds.most()));
            return bounds.usual();
        }
        return number;
    }

    Map<String, String> fields(Business business) {
        Map<String, String> fields = new HashMap<>();
        fields.put("name", name);
        fields.put("link", link.toString());
        fields.put("road", road.key());
        fields.put("subject", subject);
        fields.put("body", body);
        fields.put("heldOut", String.valueOf(heldOutPercent));
        fields.put("perMinute", String.valueOf(perMinute));
        fields.put("price", Messages.typed(segment, business));
        fields.put("spares", sparesWeekly ? "yes" : "");
        return fields;
    }

    /** For so many segments, in minor units; empty if the price is not known. */
    OptionalLong costMinor(long segments) {
        return segment.map(price -> OptionalLong.of(price.times(segments))).orElse(OptionalLong.empty());
    }

    /** What people have to have agreed to. */
    ConsentPurpose needs() {
        return road == MessageType.EMAIL ? ConsentPurpose.EMAIL_NEWS : ConsentPurpose.TEXT_NEWS;
    }
}
