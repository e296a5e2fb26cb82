package wendo.app.outcome.networks;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import wendo.app.platform.site.Limits;
import wendo.app.prepare.sources.SourceListed;
import wendo.core.links.Channel;
import wendo.core.links.SubIdForm;
import wendo.core.links.Tag;
import wendo.core.outcomes.OutcomeKind;

class NetworkFormTest {
    private static final UUID SHOPS = new UUID(4, 4);
    private static final List<SourceListed> SOURCES =
            List.of(new SourceListed(SHOPS, "Shops", Tag.of("shops"), Channel.PARTNER, Tag.of("partner")));

    private static Map<String, String> good() {
        return new HashMap<>(Map.of(
                "name",
                "Harbour Shops",
                "source",
                SHOPS.toString(),
                "pattern",
                "https://go.network.example/",
                "kind",
                "purchase",
                "parameter",
                "sub1",
                "alphabet",
                "digits",
                "maxLength",
                "10",
                "sub",
                "{sub1}",
                "value",
                "[[amount]]"));
    }

    private static Optional<NetworkForm.Checked> check(Map<String, String> typed, Map<String, String> faults) {
        return new NetworkForm(typed).check(SOURCES, faults);
    }

    @Test
    void what_is_right_is_a_network_with_its_placeholders_letter_for_letter() {
        NetworkForm.Checked checked = check(good(), new HashMap<>()).orElseThrow();
        assertThat(checked)
                .isEqualTo(new NetworkForm.Checked(
                        "Harbour Shops",
                        SHOPS,
                        "go.network.example",
                        new SubIdForm("sub1", SubIdForm.Alphabet.DIGITS, 10),
                        OutcomeKind.PURCHASE,
                        List.of("{sub1}", "", "[[amount]]", "", "", "", ""),
                        new Network.Pay(false, 0)));
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', textBlock = """
                    name      | ''
                    source    | 00000000-0000-0009-0000-000000000009
                    source    | Shops
                    pattern   | ''
                    pattern   | *.network.example
                    kind      | visit
                    parameter | sub 1
                    parameter | ''
                    alphabet  | runes
                    maxLength | 2
                    maxLength | 201
                    maxLength | ten
                    maxLength | 1000
                    sub       | ''
                    value     | a&b
                    value     | a=b
                    value     | a b
                    currency  | a#b
                    status    | a?b
                    """)
    void each_fault_stands_beside_its_own_field_alone(String field, String text) {
        Map<String, String> typed = good();
        typed.put(field, text);
        Map<String, String> faults = new HashMap<>();
        assertThat(check(typed, faults)).isEmpty();
        assertThat(faults).containsOnlyKeys(field);
        assertThat(faults.get(field)).isNotBlank();
    }

    @Test
    void both_sides_of_the_bounds() {
        for (Map.Entry<String, String> bound : List.of(
                Map.entry("maxLength", "3"),
                Map.entry("maxLength", "200"),
                Map.entry("name", "n".repeat(Limits.SHORT_NAME)),
                Map.entry("status", "s".repeat(Limits.PLACEHOLDER)))) {
            Map<String, String> typed = good();
            typed.put(bound.getKey(), bound.getValue());
            assertThat(check(typed, new HashMap<>())).as(bound.toString()).isPresent();
        }
        Map<String, String> typed = good();
        typed.put("name", "n".repeat(Limits.SHORT_NAME + 1));
        typed.put("status", "s".repeat(Limits.PLACEHOLDER + 1));
        Map<String, String> faults = new HashMap<>();
        assertThat(check(typed, faults)).isEmpty();
        assertThat(faults).containsOnlyKeys("name", "status");
    }

    @Test
    void a_new_form_asks_for_what_most_networks_take() {
        assertThat(NetworkForm.empty().get("alphabet")).isEqualTo("letters");
        assertThat(NetworkForm.empty().get("maxLength")).isEqualTo("50");
        assertThat(NetworkForm.empty().get("name")).isEmpty();
    }
}
