package wendo.app.outcomes;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import wendo.core.outcomes.OutcomeReport;
import wendo.core.outcomes.OutcomeStatus;
import wendo.core.outcomes.Standing;
import wendo.core.outcomes.Told;
import wendo.core.visits.ClickId;

/** An outcome as it is known, and what news makes of it. */
record KnownOutcome(
        UUID id, Standing standing, Instant occurredAt, Optional<ClickId> click, Told told, Optional<UUID> partner) {
    private static final int MAX_SHOWN = 100;

    static final String SQL = """
            select id, status, value_minor, refunded_minor, occurred_at, click_id, name, email, phone, code, answer, items,
                note, partner_source_id
            from outcome
            """;

    /** What news changes: the field, before and after. */
    record Change(String field, String before, String after) {}

    static KnownOutcome read(ResultSet row, int number) throws SQLException {
        return new KnownOutcome(
                row.getObject(1, UUID.class),
                new Standing(OutcomeStatus.find(row.getString(2)).orElseThrow(), row.getLong(3), row.getLong(4)),
                row.getTimestamp(5).toInstant(),
                Optional.ofNullable(row.getObject(6, UUID.class)).map(ClickId::new),
                new Told(
                        row.getString(7),
                        row.getString(8),
                        row.getString(9),
                        row.getString(10),
                        row.getString(11),
                        row.getString(12),
                        row.getString(13)),
                Optional.ofNullable(row.getObject(14, UUID.class)));
    }

    /** The first evidence stays; what the report does not tell stays. */
    KnownOutcome with(Standing next, OutcomeReport report, Optional<UUID> newPartner) {
        return new KnownOutcome(
                id,
                next,
                report.occurredAt().map(KnownOutcome::asKept).orElse(occurredAt),
                click.or(report::click),
                told.with(report.told()),
                partner.or(() -> newPartner));
    }

    KnownOutcome with(Standing before) {
        return new KnownOutcome(id, before, occurredAt, click, told, partner);
    }

    /** As fine as the database keeps it. */
    private static Instant asKept(Instant at) {
        return at.truncatedTo(ChronoUnit.MICROS);
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
        compare(changes, "time", occurredAt, after.occurredAt);
        compare(
                changes,
                "evidence",
                click.map(ClickId::toString).orElse(""),
                after.click.map(ClickId::toString).orElse(""));
        Map<String, String> toldAfter = after.told.fields();
        told.fields().forEach((field, text) -> compare(changes, field, text, toldAfter.getOrDefault(field, "")));
        return changes;
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
