package wendo.app.lead.leads;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
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
import wendo.core.outcomes.OutcomeKind;
import wendo.core.outcomes.OutcomeReport;

class StageFormTest {
    private static final Instant NOW = Instant.parse("2026-05-03T10:00:00Z");
    private static final Business TEAL = TealTours.BUSINESS;

    private static LeadQueries.Row lead(Optional<UUID> became) {
        return new LeadQueries.Row(
                new UUID(2, 2),
                "L-7",
                "Ada Marsh",
                "ada@reed.example",
                "",
                "2 boats",
                "",
                NOW,
                Stage.QUOTED,
                24_000,
                "Too dear",
                List.of(),
                "",
                "",
                Optional.empty(),
                "",
                Optional.empty(),
                Optional.empty(),
                became,
                Optional.empty());
    }

    private static StageForm form(String... typed) {
        Map<String, String> fields = new HashMap<>();
        for (int i = 0; i < typed.length; i += 2) {
            fields.put(typed[i], typed[i + 1]);
        }
        return StageForm.of(TypedFields.of(fields), lead(Optional.empty()));
    }

    @Test
    void a_quote_is_an_amount_of_the_business_s_currency() {
        StageForm form = form("stage", "quoted", "quoted", "£1,250");
        assertThat(form.check(TEAL)).isEmpty();
        assertThat(form.quotedMinor(TEAL)).isEqualTo(125_000);
        assertThat(form.said()).isEqualTo("Stage: quoted, £1,250.");
        assertThat(form("stage", "quoted", "quoted", "€1,250").check(TEAL)).containsOnlyKeys("quoted");
        assertThat(form("stage", "quoted", "quoted", "").check(TEAL)).containsOnlyKeys("quoted");
    }

    @Test
    void what_was_quoted_stays_in_every_other_stage() {
        for (String stage : List.of("new", "won", "lost")) {
            assertThat(form("stage", stage, "quoted", "9").quotedMinor(TEAL))
                    .as(stage)
                    .isEqualTo(24_000);
        }
    }

    @Test
    void a_lost_lead_has_a_reason_and_it_is_kept_while_it_is_lost() {
        assertThat(form("stage", "lost", "reason", " ").check(TEAL)).containsOnlyKeys("reason");
        assertThat(form("stage", "lost", "reason", "Too far").keptReason()).isEqualTo("Too far");
        assertThat(form("stage", "lost", "reason", "Too far").said()).isEqualTo("Stage: lost, Too far.");
        assertThat(form("stage", "new", "reason", "Too far").keptReason()).isEmpty();
        assertThat(form("stage", "lost", "reason", "r".repeat(Limits.LOST_REASON))
                        .check(TEAL))
                .isEmpty();
        assertThat(form("stage", "lost", "reason", "r".repeat(Limits.LOST_REASON + 1))
                        .check(TEAL))
                .containsOnlyKeys("reason");
    }

    @ParameterizedTest
    @CsvSource({"purchase, PURCHASE", "booking, BOOKING", "lead, BOOKING", "'', BOOKING"})
    void won_with_an_amount_it_becomes_a_booking_or_a_purchase_of_the_same_person(String becomes, OutcomeKind kind) {
        Map<String, String> faults = new HashMap<>();
        OutcomeReport report = form("stage", "won", "becomes", becomes, "amount", "95")
                .report(lead(Optional.empty()), TEAL, NOW, faults)
                .orElseThrow();
        assertThat(faults).isEmpty();
        assertThat(report.kind()).isEqualTo(kind);
        assertThat(report.reference()).isEqualTo("L-7");
        assertThat(report.valueMinor()).hasValue(9_500);
        assertThat(report.told().email()).isEqualTo("ada@reed.example");
        assertThat(report.told().items()).isEqualTo("2 boats");
    }

    @Test
    void another_reference_may_be_given_and_a_wrong_amount_is_told_beside_it() {
        Map<String, String> faults = new HashMap<>();
        assertThat(form("stage", "won", "amount", "95", "reference", "B-1")
                        .report(lead(Optional.empty()), TEAL, NOW, faults)
                        .orElseThrow()
                        .reference())
                .isEqualTo("B-1");
        assertThat(form("stage", "won", "amount", "$95").report(lead(Optional.empty()), TEAL, NOW, faults))
                .isEmpty();
        assertThat(faults).containsOnlyKeys("amount");
    }

    @Test
    void without_an_amount_in_another_stage_or_linked_before_it_becomes_nothing() {
        Map<String, String> faults = new HashMap<>();
        LeadQueries.Row open = lead(Optional.empty());
        assertThat(form("stage", "won", "amount", "").report(open, TEAL, NOW, faults))
                .isEmpty();
        assertThat(form("stage", "quoted", "amount", "95").report(open, TEAL, NOW, faults))
                .isEmpty();
        LeadQueries.Row linked = lead(Optional.of(new UUID(9, 9)));
        StageForm again = StageForm.of(TypedFields.of(Map.of("stage", "won", "amount", "95")), linked);
        assertThat(again.report(linked, TEAL, NOW, faults)).isEmpty();
        assertThat(again.said()).isEqualTo("Stage: won.");
        assertThat(faults).isEmpty();
    }

    @Test
    void what_is_no_stage_leaves_the_lead_where_it_is() {
        assertThat(form("stage", "dreaming").stage()).isEqualTo(Stage.QUOTED);
        assertThat(form().reason()).isEqualTo("Too dear");
    }
}
