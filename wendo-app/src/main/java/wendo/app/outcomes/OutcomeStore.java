package wendo.app.outcomes;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Timestamp;
import java.time.Clock;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import wendo.app.business.BusinessScope;
import wendo.core.outcomes.OutcomeReport;
import wendo.core.outcomes.OutcomeStatus;
import wendo.core.outcomes.Standing;
import wendo.core.visits.ClickId;

/** Keeps outcomes and the history of what news changed. Runs in the transaction of its caller. */
@Component
class OutcomeStore {
    private final JdbcClient jdbc;
    private final Clock clock;

    OutcomeStore(JdbcClient jdbc, Clock clock) {
        this.jdbc = jdbc;
        this.clock = clock;
    }

    /** An outcome as it is known. */
    private record Known(UUID id, Standing standing, Instant occurredAt, Optional<ClickId> click) {}

    /** Of many who bring the first news at once, the unique key decides who was first. */
    Recorded keep(OutcomeReport report, Reporter reporter, String by) {
        Optional<Known> known = lock(report);
        if (known.isPresent()) {
            return change(known.get(), report, reporter, by);
        }
        Standing standing = Standing.open(report.valueMinor().orElse(0));
        Optional<Standing> first = told(standing, report);
        return first.isEmpty()
                ? refusal(standing)
                : insert(report, first.get(), reporter)
                        .<Recorded>map(Recorded.New::new)
                        .orElseGet(() -> change(lock(report).orElseThrow(), report, reporter, by));
    }

    private Optional<Known> lock(OutcomeReport report) {
        return jdbc.sql("""
                        select id, status, value_minor, refunded_minor, occurred_at, click_id
                        from outcome where kind = ? and reference = ? for update
                        """)
                .params(report.kind().key(), report.reference())
                .query(OutcomeStore::known)
                .optional();
    }

    private static Recorded refusal(Standing standing) {
        return new Recorded.Refused(
                "refunded",
                "Must not be more than the value, which is %d minor units.".formatted(standing.valueMinor()));
    }

    /** How an outcome stands after this news; empty if more went back than it was worth. */
    private static Optional<Standing> told(Standing before, OutcomeReport report) {
        Standing next = report.valueMinor().isPresent()
                ? before.withValue(report.valueMinor().getAsLong())
                : before;
        if (report.refundedMinor().isPresent()) {
            long refunded = report.refundedMinor().getAsLong();
            return refunded > next.valueMinor() ? Optional.empty() : Optional.of(next.withRefund(refunded));
        }
        return Optional.of(report.status().map(next::withStatus).orElse(next));
    }

    private Optional<UUID> insert(OutcomeReport report, Standing standing, Reporter reporter) {
        Instant now = clock.instant();
        return jdbc.sql("""
                        insert into outcome (id, business_id, kind, reference, value_minor, status, refunded_minor,
                            occurred_at, recorded_at, click_id, reported_by, is_proof)
                        select ?, ?, ?, ?, ?, ?, ?, ?, ?, c.click, ?, exists (
                            select from visit v
                            where v.click_id = c.click and v.arrived_at = click_time(c.click) and v.kind = 'proof')
                        from (select cast(? as uuid) as click) c
                        on conflict (business_id, kind, reference) do nothing
                        returning id
                        """)
                .params(UUID.randomUUID(), BusinessScope.current().value())
                .params(report.kind().key(), report.reference(), standing.valueMinor())
                .params(standing.status().key(), standing.refundedMinor())
                .params(Timestamp.from(report.occurredAt().orElse(now)), Timestamp.from(now), reporter.key())
                .param(report.click().map(click -> click.uuid().toString()).orElse(null))
                .query(UUID.class)
                .optional();
    }

    private Recorded change(Known known, OutcomeReport report, Reporter reporter, String by) {
        if (!reporter.mayChange()) {
            return new Recorded.AlreadyKnown(known.id());
        }
        return told(known.standing(), report)
                .map(standing -> keep(known, standing, report, by))
                .orElseGet(() -> refusal(known.standing()));
    }

    private static Known known(ResultSet row, int number) throws SQLException {
        return new Known(
                row.getObject(1, UUID.class),
                new Standing(OutcomeStatus.find(row.getString(2)).orElseThrow(), row.getLong(3), row.getLong(4)),
                row.getTimestamp(5).toInstant(),
                Optional.ofNullable(row.getObject(6, UUID.class)).map(ClickId::new));
    }

    private Recorded keep(Known known, Standing standing, OutcomeReport report, String by) {
        Known next = new Known(
                known.id(),
                standing,
                report.occurredAt().map(OutcomeStore::asKept).orElse(known.occurredAt()),
                known.click().or(report::click)); // the first evidence stays
        List<String[]> changes = changes(known, next);
        if (changes.isEmpty()) {
            return new Recorded.AlreadyKnown(known.id());
        }
        jdbc.sql("""
                        update outcome set status = ?, value_minor = ?, refunded_minor = ?, occurred_at = ?,
                            click_id = cast(? as uuid)
                        where id = ?
                        """)
                .params(standing.status().key(), standing.valueMinor(), standing.refundedMinor())
                .param(Timestamp.from(next.occurredAt()))
                .param(next.click().map(click -> click.uuid().toString()).orElse(null))
                .param(known.id())
                .update();
        Timestamp now = Timestamp.from(clock.instant());
        for (String[] change : changes) {
            jdbc.sql("insert into outcome_change values (?, ?, ?, ?, ?, ?, ?)")
                    .params(BusinessScope.current().value(), known.id(), now, by)
                    .params(change[0], change[1], change[2])
                    .update();
        }
        return new Recorded.Changed(known.id());
    }

    /** As fine as the database keeps it. */
    private static Instant asKept(Instant at) {
        return at.truncatedTo(ChronoUnit.MICROS);
    }

    private static List<String[]> changes(Known before, Known after) {
        List<String[]> changes = new ArrayList<>();
        compare(
                changes,
                "status",
                before.standing().status().key(),
                after.standing().status().key());
        compare(
                changes,
                "value",
                before.standing().valueMinor(),
                after.standing().valueMinor());
        compare(
                changes,
                "refunded",
                before.standing().refundedMinor(),
                after.standing().refundedMinor());
        compare(changes, "time", before.occurredAt(), after.occurredAt());
        compare(
                changes,
                "evidence",
                before.click().map(ClickId::toString).orElse(""),
                after.click().map(ClickId::toString).orElse(""));
        return changes;
    }

    private static void compare(List<String[]> changes, String field, Object before, Object after) {
        if (!before.equals(after)) {
            changes.add(new String[] {field, before.toString(), after.toString()});
        }
    }
}
