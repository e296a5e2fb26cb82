package wendo.app.lead.handover;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import wendo.app.platform.site.TypedFields;
import wendo.core.handover.Delay;

class PlanFormTest {
    private static final UUID CLIP = new UUID(5, 5);

    private static PlanForm plan(Map<String, String> typed) {
        Map<String, String> fields = new HashMap<>(Map.of("name", "Answer"));
        fields.putAll(typed);
        return PlanForm.of(TypedFields.of(fields), List.of(CLIP));
    }

    @Test
    void rows_that_say_nothing_are_left_out_and_faults_stand_beside_what_is_left() {
        PlanForm plan = plan(Map.of(
                "kind.1",
                "text",
                "body.1",
                "Hello {first name|there}",
                "days.1",
                "1",
                "minutes.1",
                "30",
                "about.1",
                "news",
                "kind.3",
                "email",
                "body.3",
                "We sail on Saturdays.",
                "days.3",
                "400"));
        assertThat(plan.steps())
                .containsExactly(
                        new Plans.Step(
                                "text", new Delay(1, 30), "", "Hello {first name|there}", Optional.empty(), true),
                        new Plans.Step("email", new Delay(0, 0), "", "We sail on Saturdays.", Optional.empty(), false));
        assertThat(plan.faults())
                .isEqualTo(Map.of(
                        "subject.1",
                        "An e-mail needs a subject.",
                        "delay.1",
                        "Days are 0 to %d, minutes 0 to %,d.".formatted(Delay.MAX_DAYS, Delay.MAX_MINUTES)));
    }

    @Test
    void a_plan_needs_a_name_and_a_step() {
        assertThat(plan(Map.of("name", " ")).faults())
                .isEqualTo(Map.of("name", "Name the plan.", "steps", "A plan needs a step: write what to send or do."));
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = ';',
            value = {
                "text; Hello {name}; {name} can be empty. Add a fallback, like {name|there}.",
                "task; Ring {name};",
                "text; About {items|your plans};",
                "text; Dear {sailor}; There is no field {sailor}.",
                "task; Ring {sailor}; There is no field {sailor}."
            })
    void a_customer_reads_no_hole_and_no_field_that_there_is_not(String kind, String body, String said) {
        String fault = plan(Map.of("kind.0", kind, "body.0", body)).faults().getOrDefault("body.0", "");
        assertThat(fault).startsWith(said == null ? "" : said);
        assertThat(fault.isEmpty()).isEqualTo(said == null);
    }

    @Test
    void a_recording_is_one_that_is_there_and_an_unknown_kind_is_an_e_mail() {
        assertThat(plan(Map.of("kind.0", "voice", "body.0", "Listen", "clip.0", CLIP.toString()))
                        .faults())
                .isEmpty();
        assertThat(plan(Map.of("kind.0", "voice", "body.0", "Listen", "clip.0", new UUID(6, 6).toString()))
                        .faults())
                .containsOnlyKeys("clip.0");
        assertThat(plan(Map.of("kind.0", "pigeon", "body.0", "Coo", "subject.0", "Coo"))
                        .steps()
                        .get(0)
                        .kind())
                .isEqualTo("email");
    }

    @Test
    void what_is_too_long_is_told_with_its_length() {
        assertThat(plan(Map.of("kind.0", "task", "body.0", "x".repeat(5_000)))
                        .faults()
                        .get("body.0"))
                .contains("5,000");
    }

    @Test
    void a_step_beyond_answering_needs_consent_and_a_task_never() {
        Plans.Step news = new Plans.Step("text", new Delay(0, 0), "", "x", Optional.empty(), true);
        assertThat(Plans.needs(news)).contains(wendo.app.platform.consent.ConsentPurpose.TEXT_NEWS);
        assertThat(Plans.needs(new Plans.Step("task", news.delay(), "", "x", Optional.empty(), true)))
                .isEmpty();
        assertThat(Plans.needs(new Plans.Step("email", news.delay(), "", "x", Optional.empty(), true)))
                .contains(wendo.app.platform.consent.ConsentPurpose.EMAIL_NEWS);
        assertThat(Plans.needs(Plans.Step.empty())).isEmpty();
    }
}
