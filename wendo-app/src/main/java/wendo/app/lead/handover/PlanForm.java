package wendo.app.lead.handover;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import wendo.app.platform.site.InvalidForm;
import wendo.core.handover.Delay;

/** A follow-up plan as typed: rows that say nothing are left out. Faults are by field and row, like {@code body.2}. */
record PlanForm(String name, List<Plans.Step> steps, Map<String, String> faults) {
    private static final Set<String> KINDS = Set.of("email", "text", "voice", "task");

    static PlanForm of(Map<String, String> typed, List<UUID> clips) {
        Map<String, String> faults = new LinkedHashMap<>();
        String name = typed.getOrDefault("name", "").strip();
        if (name.isEmpty()) {
            faults.put("name", "Give the plan a name.");
        }
        InvalidForm.tooLong(faults, "name", name, 80);
        List<Plans.Step> steps = new ArrayList<>();
        for (int row = 0; row < Plans.MAX_STEPS; row++) {
            if (!typed.getOrDefault("body." + row, "").isBlank()
                    || !typed.getOrDefault("subject." + row, "").isBlank()) {
                steps.add(step(typed, row, steps.size(), clips, faults));
            }
        }
        if (steps.isEmpty()) {
            faults.put("steps", "A plan needs a step: write what is to be sent or done.");
        }
        return new PlanForm(name, steps, faults);
    }

    private static Plans.Step step(
            Map<String, String> typed, int row, int place, List<UUID> clips, Map<String, String> faults) {
        String kind =
                KINDS.contains(typed.getOrDefault("kind." + row, "")) ? typed.getOrDefault("kind." + row, "") : "email";
        String subject = typed.getOrDefault("subject." + row, "").strip();
        String body = typed.getOrDefault("body." + row, "").strip();
        Optional<UUID> clip = clips.stream()
                .filter(one -> one.toString().equals(typed.getOrDefault("clip." + row, "")))
                .findFirst();
        if (kind.equals("email") && subject.isEmpty()) {
            faults.put("subject." + place, "An e-mail needs a subject.");
        }
        if (body.isEmpty()) {
            faults.put("body." + place, "Write what is to be sent or done.");
        }
        if (kind.equals("voice") && clip.isEmpty()) {
            faults.put("clip." + place, "Choose the recording; bring it below first if it is not there.");
        }
        InvalidForm.tooLong(faults, "subject." + place, subject, 150);
        InvalidForm.tooLong(faults, "body." + place, body, kind.equals("task") ? 300 : 2000);
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
                typed.getOrDefault("about." + row, "").equals("news"));
    }

    private static Delay delay(Map<String, String> typed, int row, int place, Map<String, String> faults) {
        String days = typed.getOrDefault("days." + row, "").strip();
        String minutes = typed.getOrDefault("minutes." + row, "").strip();
        try {
            return new Delay(
                    days.isEmpty() ? 0 : Integer.parseInt(days), minutes.isEmpty() ? 0 : Integer.parseInt(minutes));
        } catch (IllegalArgumentException e) {
            faults.put(
                    "delay." + place,
                    "Days are 0 to %d, minutes 0 to %d.".formatted(Delay.MAX_DAYS, Delay.MAX_MINUTES));
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
                    "%d days and %d minutes, %s"
                            .formatted(step.delay().days(), step.delay().minutes(), step.kind()));
            fields.put("subject." + row, step.subject());
            fields.put("body." + row, step.body());
        }
        return fields;
    }
}
