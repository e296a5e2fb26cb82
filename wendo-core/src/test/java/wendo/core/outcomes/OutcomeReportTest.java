package wendo.core.outcomes;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.util.Optional;
import java.util.OptionalLong;
import org.joda.money.CurrencyUnit;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import wendo.core.text.Sentence;

class OutcomeReportTest {
    private static final Instant NOW = Instant.parse("2026-05-03T12:00:00Z");

    private static OutcomeReport.Read read(
            String kind, String reference, String value, String currency, Optional<Instant> at) {
        return OutcomeReport.of(
                new OutcomeReport.Fields(
                        kind,
                        reference,
                        value,
                        currency,
                        "",
                        at.map(Occurrence::at),
                        "",
                        "",
                        ReportedDetails.Typed.none()),
                CurrencyUnit.GBP,
                NOW);
    }

    /** Decimal places of currencies: ISO 4217. */
    @ParameterizedTest
    @CsvSource({
        "GBP,95.00,9500",
        "GBP,95,9500",
        "GBP,0.1,10",
        "GBP,,0",
        "JPY,1200,1200",
        "KWD,1.234,1234",
        "GBP,999999999.99,99999999999"
    })
    void values_become_minor_units(String currency, String value, long minor) {
        OutcomeReport.Read read = OutcomeReport.of(
                new OutcomeReport.Fields(
                        "Booking",
                        " B-1 ",
                        value == null ? "" : value,
                        currency,
                        "",
                        Optional.of(Occurrence.at(NOW)),
                        "",
                        "",
                        ReportedDetails.Typed.none()),
                CurrencyUnit.of(currency),
                NOW);
        assertThat(read)
                .isEqualTo(new OutcomeReport.Read.Good(new OutcomeReport(
                        OutcomeKind.BOOKING,
                        "B-1",
                        value == null ? OptionalLong.empty() : OptionalLong.of(minor),
                        Optional.empty(),
                        Optional.of(Occurrence.at(NOW)),
                        Optional.empty(),
                        OptionalLong.empty(),
                        OptionalLong.empty(),
                        ReportedDetails.none())));
    }

    private static OutcomeReport.Read withDelivery(String value, String delivery) {
        return OutcomeReport.of(
                new OutcomeReport.Fields(
                        "purchase",
                        "P-1",
                        value,
                        "",
                        "",
                        Optional.empty(),
                        "",
                        "",
                        delivery,
                        ReportedDetails.Typed.none()),
                CurrencyUnit.GBP,
                NOW);
    }

    @Test
    void what_was_for_delivery_is_a_part_of_the_value() {
        assertThat(withDelivery("12.00", "12.00"))
                .isInstanceOfSatisfying(
                        OutcomeReport.Read.Good.class,
                        good -> assertThat(good.report().deliveryMinor()).hasValue(1200));
        assertThat(faults(withDelivery("12.00", "12.01")))
                .containsExactly(new OutcomeReport.Fault("delivery", Sentence.of("outcomes.refund-value")));
        assertThat(faults(withDelivery("12.00", "free")))
                .containsExactly(new OutcomeReport.Fault("delivery", Sentence.of("outcomes.amount", "GBP", 2, "free")));
    }

    @ParameterizedTest
    @CsvSource({"0.001", "-1", "ten", "'1,50'", "1e99999999", "1e2", "1000000000"})
    void other_values_are_refused(String value) {
        assertThat(faults(read("lead", "L", value, "GBP", Optional.empty())))
                .containsExactly(new OutcomeReport.Fault("value", Sentence.of("outcomes.amount", "GBP", 2, value)));
    }

    @Test
    void all_faults_are_told_at_once() {
        assertThat(faults(read("sale", " ", "x", "EUR", Optional.of(NOW.plusSeconds(601)))))
                .extracting(OutcomeReport.Fault::field)
                .containsExactly("kind", "reference", "currency", "value", "occurredAt");
    }

    /** What a program tells of a status and a refund, and the field that is refused, if one is. */
    @ParameterizedTest
    @CsvSource({
        "Confirmed,,",
        "refunded,,",
        "refunded,20.00,",
        "refunded,95.00,",
        "refunded,95.01,refunded",
        "refunded,-1,refunded",
        "cancelled,20.00,refunded",
        ",20.00,refunded",
        "lost,,status"
    })
    void a_refund_goes_with_its_status_and_is_of_the_value_at_most(String status, String refunded, String refused) {
        OutcomeReport.Read read = OutcomeReport.of(
                new OutcomeReport.Fields(
                        "booking",
                        "B-1",
                        "95.00",
                        "",
                        "",
                        Optional.empty(),
                        status == null ? "" : status,
                        refunded == null ? "" : refunded,
                        ReportedDetails.Typed.none()),
                CurrencyUnit.GBP,
                NOW);
        if (refused == null) {
            assertThat(read).isInstanceOf(OutcomeReport.Read.Good.class);
        } else {
            assertThat(faults(read)).extracting(OutcomeReport.Fault::field).containsExactly(refused);
        }
    }

    @Test
    void clocks_may_run_ahead_a_little_and_references_have_a_bound() {
        assertThat(read("lead", "r".repeat(100), "", "", Optional.of(NOW.plusSeconds(600))))
                .isInstanceOf(OutcomeReport.Read.Good.class);
        assertThat(faults(read("lead", "r".repeat(101), "", "", Optional.empty())))
                .singleElement()
                .extracting(OutcomeReport.Fault::message)
                .asString()
                .endsWith("it has 101.");
    }

    private static java.util.List<OutcomeReport.Fault> faults(OutcomeReport.Read read) {
        assertThat(read).isInstanceOf(OutcomeReport.Read.Bad.class);
        return ((OutcomeReport.Read.Bad) read).faults();
    }
}
