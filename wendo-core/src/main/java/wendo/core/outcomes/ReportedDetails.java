package wendo.core.outcomes;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import wendo.core.media.EmailAddress;
import wendo.core.media.PhoneNumber;
import wendo.core.text.Sentence;

/**
 * What an outcome's report tells beside what happened: who it is of, what was given or said, and what was taken. What it
 * does not tell is empty text.
 *
 * @param email in its normal form; {@code phone} in its international form (E.164)
 * @param code a coupon or partner code, as it was given
 * @param answer the customer's own answer to how they heard of the business
 * @param items what was booked or bought, as one line
 * @param note a field of the business's own
 */
public record ReportedDetails(
        String name, String email, String phone, String code, String answer, String items, String note) {
    public static final int MAX_NAME = 120;
    public static final int MAX_ANSWER = 200;
    public static final int MAX_NOTE = 1000;

    public static ReportedDetails none() {
        return new ReportedDetails("", "", "", "", "", "", "");
    }

    /** What came in, as text; {@code country} is where phone numbers without a country's code are. */
    public record Typed(
            String name,
            String email,
            String phone,
            String country,
            String code,
            String answer,
            String items,
            String note) {
        public static Typed none() {
            return new Typed("", "", "", "", "", "", "", "");
        }
    }

    /** Reads what came in, adding what is wrong with it. */
    static ReportedDetails of(Typed typed, List<OutcomeReport.Fault> faults) {
        Optional<EmailAddress> email = EmailAddress.find(typed.email());
        if (email.isEmpty() && !typed.email().isBlank()) {
            faults.add(new OutcomeReport.Fault("email", Sentence.of("outcomes.email")));
        }
        Optional<PhoneNumber> phone = PhoneNumber.find(typed.phone(), typed.country());
        if (phone.isEmpty() && !typed.phone().isBlank()) {
            faults.add(new OutcomeReport.Fault("phone", Sentence.of("outcomes.phone")));
        }
        if (GivenCode.find(typed.code()).isEmpty() && !typed.code().isBlank()) {
            faults.add(new OutcomeReport.Fault("code", Sentence.of("outcomes.code", GivenCode.MAX_LENGTH)));
        }
        return new ReportedDetails(
                atMost("name", typed.name(), MAX_NAME, faults),
                email.map(EmailAddress::value).orElse(""),
                phone.map(PhoneNumber::value).orElse(""),
                typed.code().strip(),
                atMost("answer", typed.answer(), MAX_ANSWER, faults),
                atMost("items", typed.items(), MAX_NOTE, faults),
                atMost("note", typed.note(), MAX_NOTE, faults));
    }

    private static String atMost(String field, String text, int most, List<OutcomeReport.Fault> faults) {
        String plain = text.strip().replace("\0", "");
        if (plain.length() > most) {
            faults.add(new OutcomeReport.Fault(field, Sentence.of("outcomes.too-long", most, plain.length())));
        }
        return plain;
    }

    /** The same with what later news tells. */
    public ReportedDetails with(ReportedDetails news) {
        return new ReportedDetails(
                either(news.name, name),
                either(news.email, email),
                either(news.phone, phone),
                GivenCode.find(news.code).equals(GivenCode.find(code)) ? code : either(news.code, code),
                either(news.answer, answer),
                either(news.items, items),
                either(news.note, note));
    }

    private static String either(String news, String known) {
        return news.isEmpty() ? known : news;
    }

    /** Its fields by their names, in order. */
    public Map<String, String> fields() {
        Map<String, String> fields = new LinkedHashMap<>();
        List<String> names = List.of("name", "email", "phone", "code", "answer", "items", "note");
        List<String> values = new ArrayList<>(List.of(name, email, phone, code, answer, items, note));
        for (int i = 0; i < names.size(); i++) {
            fields.put(names.get(i), values.get(i));
        }
        return fields;
    }
}
