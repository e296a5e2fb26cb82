package wendo.app.compare.crosscheck;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.time.ZoneId;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import wendo.app.platform.site.Limits;
import wendo.app.platform.site.TypedFields;

class CheckFormTest {
    private static final UUID ADS = new UUID(8, 8);
    private static final List<Check.Subject> SUBJECTS = List.of(new Check.Subject(ADS, "Search ads", false));

    private static Map<String, String> good() {
        return new HashMap<>(Map.of(
                "source",
                ADS.toString(),
                "system",
                " The ad account ",
                "counted",
                "visit",
                "zone",
                "Europe/London",
                "tolerance",
                "10",
                "pasted",
                "2026-05-03, 41\n2026-05-04, 38\n2026-05-03, 2"));
    }

    private static CheckForm.Checked check(Map<String, String> typed) {
        return CheckForm.check(TypedFields.of(typed), SUBJECTS, Locale.UK);
    }

    @Test
    void what_is_right_is_a_check_with_its_days_added_up() {
        CheckForm.Checked checked = check(good());
        Check check = checked.check().orElseThrow();
        assertThat(check.subject().id()).isEqualTo(ADS);
        assertThat(check.sourceName()).isEqualTo("Search ads");
        assertThat(check.system()).isEqualTo("The ad account");
        assertThat(check.zone()).isEqualTo(ZoneId.of("Europe/London"));
        assertThat(check.tolerancePercent()).isEqualTo(10);
        assertThat(checked.theirs())
                .containsExactly(Map.entry(LocalDate.of(2026, 5, 3), 43L), Map.entry(LocalDate.of(2026, 5, 4), 38L));
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', textBlock = """
                    source    | ''
                    source    | 00000000-0000-0009-0000-000000000009
                    system    | ' '
                    zone      | London
                    zone      | Europe/Atlantis
                    tolerance | 0
                    tolerance | 101
                    tolerance | 2.5
                    tolerance | ten
                    pasted    | ''
                    pasted    | a lot
                    """)
    void each_fault_stands_beside_its_own_field_alone(String field, String text) {
        Map<String, String> typed = good();
        typed.put(field, text);
        CheckForm.Checked checked = check(typed);
        assertThat(checked.check()).isEmpty();
        assertThat(checked.form().faults()).containsOnlyKeys(field);
        assertThat(checked.form().typed(field)).isEqualTo(text);
    }

    @ParameterizedTest
    @ValueSource(strings = {"1", "9", "10", "99", "100"})
    void tolerances_at_their_bounds_are_taken(String tolerance) {
        Map<String, String> typed = good();
        typed.put("tolerance", tolerance);
        assertThat(check(typed).check().orElseThrow().tolerancePercent()).isEqualTo(Integer.parseInt(tolerance));
    }

    @Test
    void a_system_s_name_has_its_room_and_no_more() {
        Map<String, String> typed = good();
        typed.put("system", "s".repeat(Limits.SHORT_NAME));
        assertThat(check(typed).check()).isPresent();
        typed.put("system", "s".repeat(Limits.SHORT_NAME + 1));
        assertThat(check(typed).form().faults()).containsOnlyKeys("system");
    }

    @Test
    void a_new_form_counts_visits_in_the_business_s_own_zone() {
        CheckForm empty = CheckForm.empty(ZoneId.of("Europe/Berlin"));
        assertThat(empty.typed("zone")).isEqualTo("Europe/Berlin");
        assertThat(empty.typed("counted")).isEqualTo("visit");
        assertThat(empty.faults()).isEmpty();
    }
}
