package wendo.app.visit.visits;

import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import wendo.app.platform.business.BusinessId;
import wendo.core.visits.ClickId;
import wendo.core.visits.Sorted;

/** A visit with what is known of it before the database is asked. */
record SortedVisit(LoggedVisit visit, Sorted sorted, Agents.Agent agent, Optional<UUID> proof) {
    /** So much may the clocks of two machines differ. Ours. */
    private static final Duration CLOCKS_APART = Duration.ofHours(1);

    /** A day, and another for the salt that was still in use. */
    private static final Duration SALT_LASTS = Duration.ofDays(2);

    /** What a visit takes, most often. */
    private static final int USUAL_LENGTH = 500;

    BusinessId business() {
        return visit.business();
    }

    UUID click() {
        return visit.click().uuid();
    }

    Instant at() {
        return visit.click().arrivedAt();
    }

    /** As COPY takes them. */
    static byte[] rows(List<SortedVisit> visits) {
        StringBuilder rows = new StringBuilder(visits.size() * USUAL_LENGTH);
        visits.forEach(visit -> visit.write(rows));
        return rows.toString().getBytes(StandardCharsets.UTF_8);
    }

    private void write(StringBuilder row) {
        Instant at = visit.click().arrivedAt();
        row.append(visit.business().value()).append('\t');
        row.append(at()).append('\t').append(click()).append('\t');
        row.append(visit.link()).append('\t').append(visit.source()).append('\t');
        row.append(visit.destination()).append('\t').append(visit.visitor());
        text(row, visit.recipient());
        text(row, visit.country());
        text(row, visit.device());
        row.append('\t').append(proof.map(UUID::toString).orElse("\\N"));
        text(row, sorted.kind().key());
        text(row, sorted.reason());
        text(row, visit.referrer());
        text(row, visit.userAgent());
        text(row, visit.language());
        text(row, agent.system());
        text(row, agent.browser());
        row.append('\t')
                .append(since().map(Instant::toString).orElse("-infinity"))
                .append('\n');
    }

    /**
     * Since when this visitor can have come: not before a version 7 identifier was made (RFC 9562), not on another day
     * than that of a version 8 one, which is made from the day's salt. Earlier months need no look then.
     */
    private Optional<Instant> since() {
        Instant at = visit.click().arrivedAt();
        return switch (visit.visitor().version()) {
            case 7 -> {
                Instant made = new ClickId(visit.visitor()).arrivedAt();
                yield Optional.of((made.isBefore(at) ? made : at).minus(CLOCKS_APART));
            }
            case 8 -> Optional.of(at.minus(SALT_LASTS));
            default -> Optional.empty();
        };
    }

    /** Texts of the log have no control characters; what is left to escape is the backslash. */
    private static void text(StringBuilder row, String text) {
        row.append('\t').append(text.indexOf('\\') < 0 ? text : text.replace("\\", "\\\\"));
    }
}
