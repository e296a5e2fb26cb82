package wendo.app.money.exchange;

import java.util.Map;
import java.util.Optional;
import wendo.app.platform.site.InvalidForm;
import wendo.app.platform.site.Limits;
import wendo.app.platform.site.Texts;
import wendo.app.platform.site.TypedFields;
import wendo.core.outcomes.OutcomeKind;

/** An outcome as a partner names it, and why it was theirs. */
public record ClaimForm(OutcomeKind kind, String reference, String said) {
    /** What was typed if nothing is wrong with it, or nothing once {@code faults} has what is. */
    public static Optional<ClaimForm> check(TypedFields typed, Map<String, String> faults) {
        String reference = typed.text("reference");
        String said = typed.text("said");
        InvalidForm.tooLong(faults, "reference", reference, Limits.REFERENCE);
        InvalidForm.tooLong(faults, "said", said, Limits.NOTE);
        if (reference.isEmpty()) {
            faults.put("reference", Texts.of("money.exchange.reference-missing"));
        }
        Optional<OutcomeKind> kind = OutcomeKind.find(typed.text("kind"));
        if (kind.isEmpty()) {
            faults.put("kind", Texts.of("money.exchange.kind-missing"));
        }
        return faults.isEmpty() ? Optional.of(new ClaimForm(kind.orElseThrow(), reference, said)) : Optional.empty();
    }
}
