package wendo.app.outcome.outcomes;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.HashMap;
import java.util.HashSet;
import java.util.Map;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import wendo.app.TealTours;
import wendo.app.platform.business.Business;
import wendo.app.platform.site.TypedFields;
import wendo.core.outcomes.OutcomeKind;
import wendo.core.outcomes.OutcomeReport;

/** What somebody enters by hand, in a zone where the summer has an hour more. */
class OutcomeFormTest {
    private static final ZoneId LONDON = ZoneId.of("Europe/London");
    private static final Instant NOW = Instant.parse("2026-05-03T22:30:00Z"); // half past eleven in London
    private static final Business TEAL = TealTours.BUSINESS;

    private static OutcomeForm.Checked read(String... changed) {
        Map<String, String> typed = new HashMap<>(Map.of(
                "kind",
                "booking",
                "reference",
                "",
                "made",
                "HAND-7K2",
                "value",
                "£95",
                "day",
                "2026-05-03",
                "time",
                ""));
        for (int i = 0; i < changed.length; i += 2) {
            typed.put(changed[i], changed[i + 1]);
        }
        return OutcomeForm.of(TypedFields.of(typed)).read(TEAL, NOW);
    }

    @Test
    void a_day_alone_is_that_day_of_the_business_from_its_first_to_its_last_moment() {
        OutcomeReport report = read().report().orElseThrow();
        assertThat(report.kind()).isEqualTo(OutcomeKind.BOOKING);
        assertThat(report.reference()).isEqualTo("HAND-7K2");
        assertThat(report.valueMinor()).hasValue(9_500);
        assertThat(report.occurred().orElseThrow().first()).isEqualTo(Instant.parse("2026-05-02T23:00:00Z"));
        assertThat(report.occurred().orElseThrow().last()).isBefore(Instant.parse("2026-05-03T23:00:00Z"));
    }

    @Test
    void with_a_time_it_is_that_moment_by_the_business_s_clock() {
        OutcomeReport report = read("time", "09:30").report().orElseThrow();
        assertThat(report.occurred().orElseThrow().first()).isEqualTo(Instant.parse("2026-05-03T08:30:00Z"));
        assertThat(report.occurred().orElseThrow().last()).isEqualTo(Instant.parse("2026-05-03T08:30:00Z"));
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', textBlock = """
                    kind      | visit      | kind
                    day       | 2026-05-04 | day
                    day       | 1899-12-31 | day
                    day       | soon       | day
                    day       | ''         | day
                    time      | 25:00      | day
                    time      | nine       | day
                    value     | lots       | value
                    value     | $95        | value
                    email     | ada@       | email
                    phone     | 12         | phone
                    """)
    void each_fault_stands_beside_its_own_field(String field, String text, String beside) {
        OutcomeForm.Checked checked = read(field, text);
        assertThat(checked.report()).isEmpty();
        assertThat(checked.faults()).containsOnlyKeys(beside);
        assertThat(checked.faults().get(beside)).isNotBlank();
    }

    @Test
    void several_faults_are_told_at_once() {
        assertThat(read("kind", "", "day", "soon", "value", "lots").faults()).containsOnlyKeys("kind", "day", "value");
    }

    @Test
    void a_reference_of_its_own_goes_before_the_one_that_was_made() {
        assertThat(read("reference", "B-1042").report().orElseThrow().reference())
                .isEqualTo("B-1042");
    }

    @Test
    void each_form_that_is_opened_makes_another_reference_without_vowels() {
        Set<String> made = new HashSet<>();
        for (int i = 0; i < 200; i++) {
            String reference = OutcomeForm.empty(LocalDate.of(2026, 5, 3)).made();
            assertThat(reference).matches("HAND-[0-9B-DF-HJ-NP-TV-Z]{6}");
            made.add(reference);
        }
        assertThat(made).hasSize(200);
    }
}
