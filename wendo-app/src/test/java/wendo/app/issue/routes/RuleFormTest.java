package wendo.app.issue.routes;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.LocalTime;
import java.util.HashMap;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.springframework.util.LinkedMultiValueMap;
import org.springframework.util.MultiValueMap;
import wendo.app.platform.site.TypedFields;
import wendo.core.links.Conditions;
import wendo.core.links.Device;
import wendo.core.links.RoutingPreview;

class RuleFormTest {
    private final Map<String, String> faults = new HashMap<>();

    private Optional<Conditions> read(String... fields) {
        MultiValueMap<String, String> typed = new LinkedMultiValueMap<>();
        for (int i = 0; i < fields.length; i += 2) {
            typed.add(fields[i], fields[i + 1]);
        }
        return RuleForm.of(new TypedFields(typed)).read(Locale.GERMANY, faults);
    }

    @Test
    void all_that_is_typed_is_read() {
        Conditions when = read(
                        "firstDay",
                        "2026-05-01",
                        "lastDay",
                        "2026-05-31",
                        "weekday",
                        "monday",
                        "weekday",
                        "sunday",
                        "from",
                        "22:00",
                        "until",
                        "06:00",
                        "countries",
                        "Irland, gb; France",
                        "device",
                        "phone",
                        "languages",
                        "Walisisch, de, FR")
                .orElseThrow();
        assertThat(when)
                .isEqualTo(new Conditions(
                        Optional.of(LocalDate.of(2026, 5, 1)),
                        Optional.of(LocalDate.of(2026, 5, 31)),
                        Set.of(DayOfWeek.MONDAY, DayOfWeek.SUNDAY),
                        Optional.of(new Conditions.Hours(LocalTime.of(22, 0), LocalTime.of(6, 0))),
                        Set.of("IE", "GB", "FR"),
                        Set.of(Device.PHONE),
                        Set.of("cy", "de", "fr")));
        assertThat(faults).isEmpty();
        assertThat(new RuleWords(Locale.UK).conditions(when))
                .isEqualTo(
                        "On phones, in France, Ireland or United Kingdom, whose browser asks for French, German or Welsh, on Monday or Sunday, from 22:00 to 06:00, from 1 May 2026, until 31 May 2026");
    }

    @Test
    void every_fault_is_told_beside_its_field() {
        assertThat(read(
                        "firstDay",
                        "x",
                        "lastDay",
                        "2026-02-30",
                        "from",
                        "25:00",
                        "until",
                        "late",
                        "countries",
                        "Atlantis",
                        "languages",
                        "Elvish"))
                .isEmpty();
        assertThat(faults).containsOnlyKeys("firstDay", "lastDay", "from", "until", "countries", "languages");
        faults.clear();
        assertThat(read("from", "10:00", "until", "10:00")).isEmpty();
        assertThat(faults).containsOnlyKeys("rule");
        faults.clear();
        assertThat(read("weekday", "someday", "device", "abacus")).isEmpty();
        assertThat(faults.get("rule")).contains("at least one condition");
    }

    /** ISO 3166-1 and ISO 639-1 as the JDK has them: each code and each English name leads to its code. */
    @Test
    void every_country_and_language_is_known_by_code_and_name() {
        Named countries = Named.countries(Locale.UK);
        for (String code : Locale.getISOCountries()) {
            assertThat(countries.read(code.toLowerCase(Locale.ROOT))).containsExactly(code);
        }
        assertThat(countries.read("UK, usa, Great Britain,, ")).containsExactly("GB", "US");
        Named languages = Named.languages(Locale.FRANCE);
        assertThat(languages.read("allemand, Welsh, pl")).containsExactly("de", "cy", "pl");
        assertThatThrownBy(() -> languages.read("x".repeat(60))).hasMessageContaining("x".repeat(40) + "…");
    }

    @Test
    void groups_are_said_in_words() {
        RuleWords say = new RuleWords(Locale.UK);
        assertThat(say.group(new RoutingPreview.Group(
                        Optional.empty(), Optional.empty(), Optional.empty(), Optional.empty())))
                .isEqualTo("Everyone");
        assertThat(say.group(new RoutingPreview.Group(
                        Optional.of(""), Optional.of(Device.TABLET), Optional.of("cy"), Optional.of(0))))
                .isEqualTo("Tablets in any other country asking for Welsh");
        assertThat(say.group(
                        new RoutingPreview.Group(Optional.of("IE"), Optional.empty(), Optional.of(""), Optional.of(0))))
                .isEqualTo("People in Ireland asking for another language");
    }
}
