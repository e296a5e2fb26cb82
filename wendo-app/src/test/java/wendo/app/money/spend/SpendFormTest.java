package wendo.app.money.spend;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import wendo.app.TealTours;
import wendo.app.platform.business.Business;
import wendo.app.platform.site.Limits;
import wendo.app.platform.site.TypedFields;
import wendo.core.measure.UnitPrice;

/** What is typed for a cost becomes that cost, or is told beside its field. */
class SpendFormTest {
    private static final Business TEAL = TealTours.BUSINESS;
    private static final UUID RADIO = new UUID(2, 2);
    private static final UUID SPRING = new UUID(3, 3);
    private static final List<String> SUBJECTS = List.of("source:" + RADIO, "campaign:" + SPRING);

    private static Map<String, String> good() {
        return new HashMap<>(Map.of(
                "subject",
                "source:" + RADIO,
                "way",
                "lump",
                "amount",
                "£1,250.50",
                "firstDay",
                "2026-05-01",
                "lastDay",
                "2026-05-31",
                "note",
                " invoice 118 "));
    }

    private static SpendForm.Checked check(Map<String, String> typed) {
        return SpendForm.check(TypedFields.of(typed), SUBJECTS, TEAL);
    }

    @Test
    void an_amount_for_some_days_is_read_in_whole() {
        assertThat(check(good()).cost())
                .contains(new Cost(
                        Optional.of(RADIO),
                        Optional.empty(),
                        Optional.empty(),
                        Optional.empty(),
                        SpendWay.LUMP,
                        125_050,
                        new UnitPrice(0),
                        LocalDate.of(2026, 5, 1),
                        Optional.of(LocalDate.of(2026, 5, 31)),
                        "invoice 118"));
    }

    @Test
    void a_price_for_each_visit_may_have_thousandths_of_a_penny_and_go_on_without_end() {
        Map<String, String> typed = good();
        typed.putAll(Map.of("way", "visit", "amount", "0.00125", "lastDay", ""));
        Cost cost = check(typed).cost().orElseThrow();
        assertThat(cost.price()).isEqualTo(new UnitPrice(125));
        assertThat(cost.amountMinor()).isZero();
        assertThat(cost.lastDay()).isEmpty();
    }

    @ParameterizedTest
    @CsvSource({"equally, EQUALLY", "copies, COPIES", "visits, VISITS", "nonsense, EQUALLY", "'', EQUALLY"})
    void what_a_campaign_cost_is_shared_by_a_rule(String typedRule, SharedBy rule) {
        Map<String, String> typed = good();
        typed.putAll(Map.of("subject", "campaign:" + SPRING, "sharedBy", typedRule));
        Cost cost = check(typed).cost().orElseThrow();
        assertThat(cost.campaign()).contains(SPRING);
        assertThat(cost.source()).isEmpty();
        assertThat(cost.sharedBy()).contains(rule);
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', nullValues = "-", textBlock = """
                    subject  | ''                                          | subject  | Choose the source or campaign that this was spent on.
                    subject  | source:00000000-0000-0009-0000-000000000009 | subject  | Choose the source or campaign that this was spent on.
                    amount   | ''                                          | amount   | Enter an amount in GBP, like 1,250.00.
                    amount   | €20                                         | amount   | Enter an amount in GBP, like 1,250.00.
                    amount   | 0                                           | amount   | Enter an amount above 0
                    firstDay | soon                                        | firstDay | Choose a day, like 2026-05-01.
                    lastDay  | ''                                          | lastDay  | Choose a day, like 2026-05-01.
                    lastDay  | 2026-04-30                                  | lastDay  | The last day is before the first.
                    lastDay  | 2031-05-02                                  | lastDay  | A spend covers at most 5 years.
                    """)
    void what_is_wrong_is_told_beside_its_field_and_keeps_what_was_typed(
            String field, String text, String beside, String said) {
        Map<String, String> typed = good();
        typed.put(field, text);
        SpendForm.Checked checked = check(typed);
        assertThat(checked.cost()).isEmpty();
        assertThat(checked.form().faults()).containsOnlyKeys(beside);
        assertThat(checked.form().faults().get(beside)).startsWith(said);
        assertThat(checked.form().typed(field)).isEqualTo(text);
    }

    @Test
    void both_sides_of_five_years_and_of_the_longest_note() {
        Map<String, String> typed = good();
        typed.put("lastDay", "2031-05-01");
        typed.put("note", "n".repeat(Limits.SPEND_NOTE));
        assertThat(check(typed).cost()).isPresent();
        typed.put("note", "n".repeat(Limits.SPEND_NOTE + 1));
        assertThat(check(typed).form().faults()).containsOnlyKeys("note");
    }

    @Test
    void a_campaign_has_no_price_for_each_visit() {
        Map<String, String> typed = good();
        typed.putAll(Map.of("subject", "campaign:" + SPRING, "way", "visit"));
        assertThat(check(typed).form().faults())
                .containsExactly(
                        Map.entry("way", "A price for each visit is of one source; enter it for each of them."));
    }

    @Test
    void a_cost_that_is_opened_again_reads_as_it_was_entered() {
        for (String way : List.of("lump", "month", "visit")) {
            Map<String, String> typed = good();
            typed.put("way", way);
            Cost cost = check(typed).cost().orElseThrow();
            SpendForm again = SpendForm.of(cost, TEAL);
            assertThat(SpendForm.check(again.typed(), SUBJECTS, TEAL).cost())
                    .as(way)
                    .contains(cost);
        }
    }
}
