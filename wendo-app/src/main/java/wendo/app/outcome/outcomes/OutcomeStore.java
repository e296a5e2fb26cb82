package wendo.app.outcome.outcomes;

import java.sql.Timestamp;
import java.time.Clock;
import java.time.Instant;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.function.UnaryOperator;
import org.jspecify.annotations.Nullable;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import wendo.app.platform.business.BusinessScope;
import wendo.app.platform.business.EditedVersion;
import wendo.core.links.Tag;
import wendo.core.outcomes.GivenCode;
import wendo.core.outcomes.Occurrence;
import wendo.core.outcomes.OutcomeReport;
import wendo.core.outcomes.ReportedDetails;
import wendo.core.outcomes.Standing;
import wendo.core.visits.ClickId;

/** Keeps outcomes and the history of what news changed. Runs in the transaction of its caller. */
@Component
class OutcomeStore {
    private final JdbcClient jdbc;
    private final ApplicationEventPublisher events;
    private final Clock clock;

    OutcomeStore(JdbcClient jdbc, ApplicationEventPublisher events, Clock clock) {
        this.jdbc = jdbc;
        this.events = events;
        this.clock = clock;
    }

    /** Of many who bring the first news at once, the unique key decides who was first. */
    Recorded keep(OutcomeReport report, Reporter reporter, Optional<UUID> partner, String by) {
        Optional<KnownOutcome> known = lock(report);
        if (known.isPresent()) {
            return change(known.get(), report, reporter, partner, by);
        }
        Standing standing = Standing.open(report.valueMinor().orElse(0));
        Optional<Standing> first = KnownOutcome.told(standing, report);
        return first.isEmpty()
                ? refusal(standing)
                : insert(report, first.get(), reporter, partner)
                        .<Recorded>map(Recorded.New::new)
                        .orElseGet(() -> change(lock(report).orElseThrow(), report, reporter, partner, by));
    }

    private Optional<KnownOutcome> lock(OutcomeReport report) {
        return jdbc.sql(KnownOutcome.SQL + "where kind = ? and reference_key = ? for update")
                .params(report.kind().key(), report.referenceKey())
                .query(KnownOutcome::read)
                .optional();
    }

    /** Holds it until the end of the transaction, and refuses if it is not what a form showed. */
    void mustStillBe(OutcomeReport report, EditedVersion edited) {
        jdbc.sql("select version from outcome where kind = ? and reference_key = ? for update")
                .params(report.kind().key(), report.referenceKey())
                .query(Integer.class)
                .optional()
                .ifPresent(version -> edited.mustBe(version, "outcome"));
    }

    Map<String, KnownOutcome> known(String kind, List<String> keys) {
        Map<String, KnownOutcome> known = new HashMap<>();
        jdbc.sql(KnownOutcome.SQL + "where kind = ? and reference_key = any(?)")
                .params(kind, keys.toArray(String[]::new))
                .query((row, number) -> known.put(row.getString("reference_key"), KnownOutcome.read(row, number)))
                .list();
        return known;
    }

    private static Recorded refusal(Standing standing) {
        return new Recorded.Refused(
                "refunded",
                "Must not be more than the value, which is %d minor units.".formatted(standing.valueMinor()));
    }

    private Optional<UUID> insert(OutcomeReport report, Standing standing, Reporter reporter, Optional<UUID> partner) {
        Instant now = clock.instant();
        Occurrence occurred = report.occurred().orElse(Occurrence.at(now));
        return jdbc.sql("""
                        insert into outcome (id, business_id, kind, reference, reference_key, value_minor, status, refunded_minor,
                            occurred_at, day_began_at, recorded_at, reported_by, name, email, phone, code, code_key, answer,
                            answer_key, items, note, partner_source_id, click_id, is_proof)
                        select ?, ?, ?, ?, ?, ?, ?, ?, ?, cast(? as timestamptz), ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, c.click, exists (
                            select from visit v
                            where v.click_id = c.click and v.arrived_at = click_time(c.click) and v.kind = 'proof')
                        from (select cast(? as uuid) as click) c
                        on conflict (business_id, kind, reference_key) do nothing
                        returning id
                        """)
                .params(UUID.randomUUID(), BusinessScope.current().value())
                .params(report.kind().key(), report.reference(), report.referenceKey(), standing.valueMinor())
                .params(standing.status().key(), standing.refundedMinor())
                .param(Timestamp.from(occurred.last()))
                .param(dayBegan(occurred))
                .params(Timestamp.from(now), reporter.key())
                .params(columns(report.told()))
                .param(partner.orElse(null))
                .param(report.click().map(click -> click.uuid().toString()).orElse(null))
                .query(UUID.class)
                .optional();
    }

    private static @Nullable Timestamp dayBegan(Occurrence occurred) {
        return occurred.isDay() ? Timestamp.from(occurred.first()) : null;
    }

    private Recorded change(
            KnownOutcome known, OutcomeReport report, Reporter reporter, Optional<UUID> partner, String by) {
        if (!reporter.mayChange()) {
            return new Recorded.AlreadyKnown(known.id());
        }
        return KnownOutcome.told(known.standing(), report)
                .map(standing -> keep(known, known.with(standing, report, partner), by))
                .orElseGet(() -> refusal(known.standing()));
    }

    List<UUID> ofVisitors(List<UUID> visitors) {
        return jdbc.sql("select id from outcome where visitor = any(?)")
                .param(visitors.toArray(UUID[]::new))
                .query(UUID.class)
                .list();
    }

    void by(UUID outcome, UUID visitor) {
        jdbc.sql("update outcome set visitor = ?, version = version + 1 where id = ?")
                .params(visitor, outcome)
                .update();
    }

    boolean cameByForm(UUID outcome, UUID form) {
        return jdbc.sql("update outcome set form_id = ?, version = version + 1 where id = ? returning is_proof")
                .params(form, outcome)
                .query(Boolean.class)
                .single();
    }

    boolean joinVisit(UUID outcome, ClickId click) {
        return jdbc.sql("update outcome set click_id = ?, version = version + 1 where id = ? and click_id is null")
                        .params(click.uuid(), outcome)
                        .update()
                == 1;
    }

    /** False if it was so before. */
    boolean set(UUID outcome, Optional<UUID> source, String name, String by) {
        String before = jdbc.sql("""
                        select coalesce(s.name, '') from outcome o left join source s on s.id = o.set_source_id
                        where o.id = ? for update of o
                        """).param(outcome).query(String.class).single();
        int changed = jdbc.sql("""
                        update outcome set set_source_id = cast(:source as uuid), set_by = :by, version = version + 1
                        where id = :id and set_source_id is distinct from cast(:source as uuid)
                        """)
                .param("source", source.map(UUID::toString).orElse(null))
                .param("by", by)
                .param("id", outcome)
                .update();
        if (changed == 1) {
            tell(outcome, List.of(new KnownOutcome.Change("source", before, name)), by);
        }
        return changed == 1;
    }

    boolean takeBack(UUID outcome) {
        boolean isKept = jdbc.sql("""
                        select exists (select from outcome_change where outcome_id = :id)
                            or exists (select from outgoing where lead_id = :id)
                            or exists (select from lead where became_id = :id)
                        """).param("id", outcome).query(Boolean.class).single();
        if (isKept) {
            return false;
        }
        events.publishEvent(new OutcomeTakenBack(outcome));
        return jdbc.sql("delete from outcome where id = ?").param(outcome).update() == 1;
    }

    /**
     * @param before how it stands again, from how it stands now
     * @param changedBy who changed it last, as the history says; if somebody else did since, it stays as it is
     */
    boolean restore(UUID outcome, UnaryOperator<KnownOutcome> before, String changedBy, String by) {
        Optional<KnownOutcome> known = jdbc.sql(KnownOutcome.SQL + """
                        where id = ? and ? = (select changed_by from outcome_change h where h.outcome_id = outcome.id
                            order by changed_at desc limit 1)
                        for update
                        """)
                .params(outcome, changedBy)
                .query(KnownOutcome::read)
                .optional();
        known.ifPresent(one -> keep(one, before.apply(one), by));
        return known.isPresent();
    }

    private Recorded keep(KnownOutcome known, KnownOutcome next, String by) {
        List<KnownOutcome.Change> changes = known.changesTo(next);
        if (changes.isEmpty() && next.equals(known)) {
            return new Recorded.AlreadyKnown(known.id());
        }
        jdbc.sql("""
                        update outcome set version = version + 1, status = ?, value_minor = ?, refunded_minor = ?, occurred_at = ?,
                            day_began_at = cast(? as timestamptz), name = ?, email = ?, phone = ?, code = ?, code_key = ?, answer = ?, answer_key = ?, items = ?, note = ?,
                            partner_source_id = ?, click_id = cast(? as uuid)
                        where id = ?
                        """)
                .params(
                        next.standing().status().key(),
                        next.standing().valueMinor(),
                        next.standing().refundedMinor())
                .param(Timestamp.from(next.occurred().last()))
                .param(dayBegan(next.occurred()))
                .params(columns(next.told()))
                .param(next.partner().orElse(null))
                .param(next.click().map(click -> click.uuid().toString()).orElse(null))
                .param(known.id())
                .update();
        tell(known.id(), changes, by);
        return new Recorded.Changed(known.id(), known);
    }

    private void tell(UUID outcome, List<KnownOutcome.Change> changes, String by) {
        Timestamp now = Timestamp.from(clock.instant());
        for (KnownOutcome.Change change : changes) {
            jdbc.sql("insert into outcome_change values (?, ?, ?, ?, ?, ?, ?)")
                    .params(BusinessScope.current().value(), outcome, now, by)
                    .params(change.field(), change.before(), change.after())
                    .update();
        }
    }

    /** In the order of their columns, with the keys that codes and answers are compared by. */
    private static List<String> columns(ReportedDetails told) {
        return List.of(
                told.name(),
                told.email(),
                told.phone(),
                told.code(),
                GivenCode.find(told.code()).map(GivenCode::key).orElse(""),
                told.answer(),
                Tag.isPossible(told.answer()) ? Tag.of(told.answer()).value() : "",
                told.items(),
                told.note());
    }
}
