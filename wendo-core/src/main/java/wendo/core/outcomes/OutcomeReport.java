package wendo.core.outcomes;

import com.ibm.icu.lang.UCharacter;
import java.math.BigDecimal;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.regex.Pattern;
import org.joda.money.CurrencyUnit;
import wendo.core.text.Sentence;
import wendo.core.visits.ClickId;

/**
 * News of one outcome, checked. {@code kind} and {@code reference} name it: the same two are the same outcome, however
 * often and by whatever road they come. What the news does not tell is absent, and stays as it was.
 *
 * @param click the click identifier that came back, if it was readable as one
 * @param refundedMinor how much went back in all, of an outcome that is refunded
 * @param deliveryMinor what of the value was for delivery
 * @param told what it tells beside what happened
 */
public record OutcomeReport(
        OutcomeKind kind,
        String reference,
        OptionalLong valueMinor,
        Optional<ClickId> click,
        Optional<Occurrence> occurred,
        Optional<OutcomeStatus> status,
        OptionalLong refundedMinor,
        OptionalLong deliveryMinor,
        ReportedDetails told) {
    public static final int MAX_REFERENCE = 100;

    /** Clocks of other machines may run ahead by this much. */
    private static final Duration CLOCK_SKEW = Duration.ofMinutes(10);

    /** Up to a billion less one: a price above that is a slip of the keyboard. */
    private static final Pattern PLAIN_NUMBER = Pattern.compile("\\d{1,9}(\\.\\d{0,6})?");

    /** One thing that is wrong with a report: the field, and what to do about it. */
    public record Fault(String field, Sentence sentence) {
        /** In English, for programs. */
        public String message() {
            return sentence.english();
        }
    }

    /** What came in, as text; empty stands for absent. */
    public record Fields(
            String kind,
            String reference,
            String value,
            String currency,
            String clickId,
            Optional<Occurrence> occurred,
            String status,
            String refunded,
            String delivery,
            ReportedDetails.Typed told) {
        /** Of a road that tells nothing of delivery. */
        public Fields(
                String kind,
                String reference,
                String value,
                String currency,
                String clickId,
                Optional<Occurrence> occurred,
                String status,
                String refunded,
                ReportedDetails.Typed told) {
            this(kind, reference, value, currency, clickId, occurred, status, refunded, "", told);
        }
    }

    /** A report, or all that is wrong with it. */
    public sealed interface Read {
        record Good(OutcomeReport report) implements Read {}

        record Bad(List<Fault> faults) implements Read {}
    }

    /** What references are compared by: trimmed, in Unicode's simple and full case folding; shown they are as written. */
    public static String key(String reference) {
        return UCharacter.foldCase(reference.strip(), true);
    }

    public String referenceKey() {
        return key(reference);
    }

    /** What came in as a click identifier but is none; empty if it is one, or nothing came. */
    public static Optional<Sentence> malformedClick(String clickId) {
        return clickId.isBlank() || ClickId.find(clickId).isPresent()
                ? Optional.empty()
                : Optional.of(Sentence.of("outcomes.malformed-click", cut(clickId.strip())));
    }

    /** Reads what came in for a business that counts in one currency. Nothing is guessed. */
    public static Read of(Fields fields, CurrencyUnit currency, Instant now) {
        List<Fault> faults = new ArrayList<>();
        Optional<OutcomeKind> kind = OutcomeKind.find(fields.kind());
        if (kind.isEmpty()) {
            faults.add(new Fault("kind", Sentence.of("outcomes.kind", cut(fields.kind()))));
        }
        String reference = fields.reference().strip();
        if (reference.isEmpty() || reference.length() > MAX_REFERENCE) {
            faults.add(new Fault("reference", Sentence.of("outcomes.reference", MAX_REFERENCE, reference.length())));
        }
        checkCurrency(fields, currency, faults);
        OptionalLong value = readAmount("value", fields.value(), currency, faults);
        fields.occurred()
                .map(Occurrence::first)
                .filter(at -> at.isAfter(now.plus(CLOCK_SKEW)))
                .ifPresent(at -> faults.add(new Fault("occurredAt", Sentence.of("outcomes.future", at))));
        Optional<OutcomeStatus> status = OutcomeStatus.find(fields.status());
        if (status.isEmpty() && !fields.status().isBlank()) {
            faults.add(new Fault("status", Sentence.of("outcomes.status", cut(fields.status()))));
        }
        OptionalLong refunded = readAmount("refunded", fields.refunded(), currency, faults);
        checkRefund(refunded, status, value, faults);
        OptionalLong delivery = readAmount("delivery", fields.delivery(), currency, faults);
        if (delivery.isPresent() && value.isPresent() && delivery.getAsLong() > value.getAsLong()) {
            faults.add(new Fault("delivery", Sentence.of("outcomes.refund-value")));
        }
        ReportedDetails told = ReportedDetails.of(fields.told(), faults);
        return faults.isEmpty()
                ? new Read.Good(new OutcomeReport(
                        kind.orElseThrow(),
                        reference,
                        value,
                        ClickId.find(fields.clickId()),
                        fields.occurred(),
                        status,
                        refunded,
                        delivery,
                        told))
                : new Read.Bad(List.copyOf(faults));
    }

    private static void checkRefund(
            OptionalLong refunded, Optional<OutcomeStatus> status, OptionalLong value, List<Fault> faults) {
        if (refunded.isPresent()
                && status.filter(OutcomeStatus.REFUNDED::equals).isEmpty()) {
            faults.add(new Fault("refunded", Sentence.of("outcomes.refund-status")));
        } else if (refunded.isPresent() && value.isPresent() && refunded.getAsLong() > value.getAsLong()) {
            faults.add(new Fault("refunded", Sentence.of("outcomes.refund-value")));
        }
    }

    private static void checkCurrency(Fields fields, CurrencyUnit currency, List<Fault> faults) {
        if (!fields.currency().isBlank() && !fields.currency().strip().equalsIgnoreCase(currency.getCode())) {
            faults.add(new Fault(
                    "currency", Sentence.of("outcomes.currency", currency.getCode(), cut(fields.currency()))));
        }
    }

    /** An amount as programs write it, in minor units; empty for a text that is none. */
    public static OptionalLong amount(String text, CurrencyUnit currency) {
        return readAmount("", text, currency, new ArrayList<>());
    }

    /** Empty also if it is refused. */
    private static OptionalLong readAmount(String field, String text, CurrencyUnit currency, List<Fault> faults) {
        if (text.isBlank()) {
            return OptionalLong.empty();
        }
        // Without an exponent: "1e99999999" would take minutes to become a number.
        try {
            if (PLAIN_NUMBER.matcher(text.strip()).matches()) {
                return OptionalLong.of(new BigDecimal(text.strip())
                        .movePointRight(currency.getDecimalPlaces())
                        .longValueExact());
            }
        } catch (ArithmeticException e) {
            return refuse(field, text, currency, faults); // more decimals than the currency has
        }
        return refuse(field, text, currency, faults);
    }

    private static OptionalLong refuse(String field, String text, CurrencyUnit currency, List<Fault> faults) {
        faults.add(new Fault(
                field, Sentence.of("outcomes.amount", currency.getCode(), currency.getDecimalPlaces(), cut(text))));
        return OptionalLong.empty();
    }

    private static String cut(String text) {
        return text.length() <= 40 ? text : text.substring(0, 40) + "…";
    }
}
