package wendo.app.lead.handover;

import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.Size;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import wendo.app.platform.site.FormRules;
import wendo.app.platform.site.InvalidForm;
import wendo.app.platform.site.Limits;
import wendo.app.platform.site.Texts;
import wendo.app.platform.site.TypedFields;
import wendo.core.handover.Delay;

/** A follow-up plan as typed: rows that say nothing are left out. Faults are by field and row, like {@code body.2}. */
record PlanForm(
        @NotBlank(message = "lead.handover.name-the-plan") @Size(max = Limits.SHORT_NAME)
        String name,

        List<Plans.Step> steps,
        Map<String, String> faults) {
    private static final Set<String> KINDS = Set.of("email", "text", "voice", "task");

    PlanForm with(Map<String, String> otherFaults) {
        return new PlanForm(name, steps, otherFaults);
    }

    static PlanForm of(TypedFields typed, List<UUID> clips) {
        String name = typed.text("name");
        Map<String, String> faults = FormRules.faults(new PlanForm(name, List.of(), Map.of()));
        List<Plans.Step> steps = new ArrayList<>();
        for (int row = 0; row < Plans.MAX_STEPS; row++) {
            if (!typed.raw("body." + row).isBlank()
                    || !typed.raw("subject." + row).isBlank()) {
                steps.add(step(typed, new Place(row, steps.size()), clips, faults));
            }
        }
        if (steps.isEmpty()) {
            faults.put("steps", Texts.of("lead.handover.a-plan-needs-a-step"));
        }
        return new PlanForm(name, steps, faults);
    }

    /** Where a step was typed, and which of the plan's it is. */
    private record Place(int row, int number) {}

    private static Plans.Step step(TypedFields typed, Place at, List<UUID> clips, Map<String, String> faults) {
        int row = at.row();
        int place = at.number();
        String kind = KINDS.contains(typed.raw("kind." + row)) ? typed.raw("kind." + row) : "email";
        String subject = typed.text("subject." + row);
        String body = typed.text("body." + row);
        Optional<UUID> clip = clips.stream()
                .filter(one -> one.toString().equals(typed.raw("clip." + row)))
                .findFirst();
        if (kind.equals("email") && subject.isEmpty()) {
            faults.put("subject." + place, Texts.of("lead.handover.an-e-mail-needs-a"));
        }
        if (body.isEmpty()) {
            faults.put("body." + place, Texts.of("lead.handover.write-what-to-send-or"));
        }
        if (kind.equals("voice") && clip.isEmpty()) {
            faults.put("clip." + place, Texts.of("lead.handover.choose-the-recording-upload-it"));
        }
        InvalidForm.tooLong(faults, "subject." + place, subject, Limits.SUBJECT);
        InvalidForm.tooLong(faults, "body." + place, body, kind.equals("task") ? Limits.PLAN_TASK : Limits.MESSAGE);
        if (!kind.equals("task")) {
            HandoverForm.missingFallback(subject + body).ifPresent(fault -> faults.put("body." + place, fault));
        }
        HandoverForm.unknownField(subject + body).ifPresent(fault -> faults.put("body." + place, fault));
        return new Plans.Step(
                kind,
                delay(typed, row, place, faults),
                subject,
                body,
                clip,
                typed.raw("about." + row).equals("news"));
    }

    private static Delay delay(TypedFields typed, int row, int place, Map<String, String> faults) {
        String days = typed.text("days." + row);
        String minutes = typed.text("minutes." + row);
        try {
            return new Delay(
                    days.isEmpty() ? 0 : Integer.parseInt(days), minutes.isEmpty() ? 0 : Integer.parseInt(minutes));
        } catch (IllegalArgumentException e) {
            faults.put(
                    "delay." + place,
                    Texts.of("lead.handover.days-are-0-to-minutes", Delay.MAX_DAYS, Delay.MAX_MINUTES));
            return new Delay(0, 0);
        }
    }

    /** What a plan says, by the fields beside which faults stand. */
    static Map<String, String> fields(String name, List<Plans.Step> steps) {
        Map<String, String> fields = new LinkedHashMap<>();
        fields.put("name", name);
        for (int row = 0; row < steps.size(); row++) {
            Plans.Step step = steps.get(row);
            fields.put(
                    "delay." + row,
                    Texts.of(
                            "lead.handover.days-and-minutes",
                            step.delay().days(),
                            step.delay().minutes(),
                            step.kind()));
            fields.put("subject." + row, step.subject());
            fields.put("body." + row, step.body());
        }
        return fields;
    }
}
