package wendo.app.outcome.outcomes;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import wendo.core.outcomes.Occurrence;
import wendo.core.outcomes.OutcomeReport;
import wendo.core.outcomes.ReportedDetails;
import wendo.core.outcomes.Standing;
import wendo.core.visits.ClickId;

/** A known outcome, and what a later report changes of it. */
public record KnownOutcome(
        UUID id,
        Standing standing,
        Occurrence occurred,
        Optional<ClickId> click,
        ReportedDetails told,
        long deliveryMinor,
        Optional<UUID> partner) {
    private static final int MAX_SHOWN = 100;

    /** What news changes: the field, before and after. */
    public record Change(String field, String before, String after) {}

    /** The outcome after this report; empty if the refund would be more than its value. */
    static Optional<Standing> told(Standing before, OutcomeReport report) {
        Standing next = report.valueMinor().isPresent()
                ? before.withValue(report.valueMinor().getAsLong())
                : before;
        if (report.refundedMinor().isPresent()) {
            long refunded = report.refundedMinor().getAsLong();
            return refunded > next.valueMinor() ? Optional.empty() : Optional.of(next.withRefund(refunded));
        }
        return Optional.of(report.status().map(next::withStatus).orElse(next));
    }

    /** What this news would change, field by field; empty if it would be refused. */
    public Optional<List<Change>> changesBy(OutcomeReport report, Optional<UUID> newPartner) {
        return told(standing, report).map(next -> changesTo(with(next, report, newPartner)));
    }

    /** The first evidence stays; what the report does not tell stays. */
    KnownOutcome with(Standing next, OutcomeReport report, Optional<UUID> newPartner) {
        return new KnownOutcome(
                id,
                next,
                report.occurred().map(occurred::with).orElse(occurred),
                click.or(report::click),
                told.with(report.told()),
                report.deliveryMinor().orElse(deliveryMinor),
                partner.or(() -> newPartner));
    }

    KnownOutcome with(Standing before) {
        return new KnownOutcome(id, before, occurred, click, told, deliveryMinor, partner);
    }

    List<Change> changesTo(KnownOutcome after) {
        List<Change> changes = new ArrayList<>();
        compare(
                changes,
                "status",
                standing.status().key(),
                after.standing.status().key());
        compare(changes, "value", standing.valueMinor(), after.standing.valueMinor());
        compare(changes, "refunded", standing.refundedMinor(), after.standing.refundedMinor());
        compare(changes, "delivery", deliveryMinor, after.deliveryMinor);
        compare(changes, "time", said(occurred), said(after.occurred));
        compare(
                changes,
                "evidence",
                click.map(ClickId::toString).orElse(""),
                after.click.map(ClickId::toString).orElse(""));
        Map<String, String> toldAfter = after.told.fields();
        told.fields().forEach((field, text) -> compare(changes, field, text, toldAfter.getOrDefault(field, "")));
        return changes;
    }

    /** A day alone is told by its first and last moment. */
    private static String said(Occurrence when) {
        return when.isDay() ? when.first() + "/" + when.last() : when.last().toString();
    }

    private static void compare(List<Change> changes, String field, Object before, Object after) {
        if (!before.equals(after)) {
            changes.add(new Change(field, cut(before), cut(after)));
        }
    }

    private static String cut(Object value) {
        String text = value.toString();
        return text.length() <= MAX_SHOWN ? text : text.substring(0, MAX_SHOWN - 1) + "…";
    }
}
