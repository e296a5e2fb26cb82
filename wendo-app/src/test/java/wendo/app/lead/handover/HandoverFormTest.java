package wendo.app.lead.handover;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import wendo.app.platform.accounts.Colleague;
import wendo.app.platform.accounts.Role;
import wendo.app.platform.site.Limits;
import wendo.app.platform.site.TypedFields;

class HandoverFormTest {
    private static final Colleague OLA = new Colleague(new UUID(1, 1), "Ola", "ola@teal.example", Role.STAFF);
    private static final Rounds.Listed ROTA = new Rounds.Listed(new UUID(2, 2), 0, "Office", List.of());
    private static final Plans.Plan PLAN = new Plans.Plan(new UUID(3, 3), 0, "Answer", List.of());

    private static HandoverForm form(String... pairs) {
        Map<String, String> typed = new HashMap<>();
        for (int i = 0; i < pairs.length; i += 2) {
            typed.put(pairs[i], pairs[i + 1]);
        }
        return HandoverForm.of(TypedFields.of(typed), List.of(OLA), List.of(ROTA), List.of(PLAN));
    }

    @Test
    void what_is_right_is_a_handover() {
        HandoverForm form = form(
                "ownerIs",
                "person",
                "person",
                OLA.id().toString(),
                "plan",
                PLAN.id().toString(),
                "partner",
                "Desk@Camp.EXAMPLE",
                "labels",
                " spring , ,camp,spring",
                "note",
                "From {source}",
                "alerts",
                "yes");
        assertThat(form.faults()).isEmpty();
        assertThat(form.handover())
                .isEqualTo(new Handover(
                        "person",
                        Optional.of(OLA.id()),
                        Optional.empty(),
                        "desk@camp.example",
                        List.of("spring", "camp"),
                        "From {source}",
                        true,
                        Optional.of(PLAN.id())));
        assertThat(form.handover().labelsTyped()).isEqualTo("spring, camp");
    }

    @Test
    void somebody_has_to_get_the_lead_who_is_there() {
        assertThat(form().faults()).isEqualTo(Map.of("ownerIs", "Choose who gets the lead."));
        assertThat(form().handover().ownerIs()).isEqualTo("issuer");
        assertThat(form("ownerIs", "person", "person", ROTA.id().toString()).faults())
                .isEqualTo(Map.of("person", "Choose somebody who works here."));
        assertThat(form("ownerIs", "round", "round", "nonsense").faults())
                .isEqualTo(Map.of("round", "Choose a rota; add one first if there is none."));
        assertThat(form("ownerIs", "round", "round", ROTA.id().toString()).faults())
                .isEmpty();
        assertThat(form("ownerIs", "none").faults()).isEmpty();
    }

    @Test
    void what_is_wrong_stays_as_it_was_typed() {
        HandoverForm form = form("ownerIs", "none", "partner", "the campsite", "note", "Dear {sailor}");
        assertThat(form.faults())
                .containsEntry("partner", "This is not an e-mail address.")
                .containsOnlyKeys("partner", "note");
        assertThat(form.handover().partner()).isEqualTo("the campsite");
        assertThat(HandoverForm.fields(form.handover()))
                .isEqualTo(Map.of("ownerIs", "none", "partner", "the campsite", "labels", "", "note", "Dear {sailor}"));
    }

    @Test
    void labels_are_few_and_short() {
        String most = IntStream.range(0, Limits.MOST_LABELS)
                .mapToObj(number -> "l" + number)
                .collect(Collectors.joining(","));
        assertThat(form("ownerIs", "none", "labels", most).faults()).isEmpty();
        assertThat(form("ownerIs", "none", "labels", most + ",more").faults()).containsOnlyKeys("labels");
        assertThat(form("ownerIs", "none", "labels", "x".repeat(Limits.LABEL + 1))
                        .faults())
                .containsOnlyKeys("labels");
    }
}
