package wendo.app.money.targets;

import java.util.EnumMap;
import java.util.HashMap;
import java.util.Map;
import java.util.OptionalInt;
import wendo.app.platform.business.Business;
import wendo.app.platform.site.Amount;
import wendo.app.platform.site.Texts;
import wendo.app.platform.site.TypedFields;
import wendo.core.outcomes.OutcomeKind;

/** What was typed, by field: source, lead, booking, purchase, margin. */
record TargetForm(TypedFields typed, Map<String, String> faults) {
    TargetForm {
        faults = Map.copyOf(faults);
    }

    static TargetForm of(String source, Target target, Business business) {
        Map<String, String> typed = new HashMap<>();
        typed.put("source", source);
        target.ceilingMinor()
                .forEach((kind, minor) ->
                        typed.put(kind.key(), Amount.typed(minor, business.currency(), business.locale())));
        target.marginPercent().ifPresent(margin -> typed.put("margin", String.valueOf(margin)));
        return new TargetForm(TypedFields.of(typed), Map.of());
    }

    /** What was typed and what is wrong with it; the target is only right without faults. */
    record Checked(TargetForm form, Target target) {}

    static Checked check(TypedFields typed, Business business) {
        Map<String, String> faults = new HashMap<>();
        Map<OutcomeKind, Long> ceilings = new EnumMap<>(OutcomeKind.class);
        for (OutcomeKind kind : OutcomeKind.values()) {
            String text = typed.raw(kind.key()).strip();
            try {
                if (!text.isEmpty()) {
                    ceilings.put(
                            kind,
                            Amount.of(text, business.currency(), business.locale())
                                    .minor());
                }
            } catch (IllegalArgumentException e) {
                faults.put(kind.key(), Texts.said(e));
            }
        }
        String margin = typed.text("margin").replaceFirst("\\s*%$", "");
        boolean isPercent =
                margin.matches("\\d{1,3}") && Integer.parseInt(margin) >= 1 && Integer.parseInt(margin) <= 100;
        if (!margin.isEmpty() && !isPercent) {
            faults.put("margin", Texts.of("money.targets.a-whole-number-1-to"));
        }
        return new Checked(
                new TargetForm(typed, faults),
                new Target(ceilings, isPercent ? OptionalInt.of(Integer.parseInt(margin)) : OptionalInt.empty()));
    }

    public String typed(String field) {
        return typed.raw(field);
    }

    /** Its amounts and margin, empty text where none is set. */
    Map<String, String> fields() {
        Map<String, String> fields = new HashMap<>();
        for (OutcomeKind kind : OutcomeKind.values()) {
            fields.put(kind.key(), typed(kind.key()));
        }
        fields.put("margin", typed("margin"));
        return fields;
    }
}
