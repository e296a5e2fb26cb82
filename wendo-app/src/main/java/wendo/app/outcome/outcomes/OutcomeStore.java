package wendo.app.outcome.outcomes;

import java.sql.Timestamp;
import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import wendo.app.platform.business.BusinessScope;
import wendo.app.platform.business.EditedVersion;
import wendo.app.platform.site.Texts;
import wendo.core.outcomes.Occurrence;
import wendo.core.outcomes.OutcomeReport;
import wendo.core.outcomes.ReportedDetails;
import wendo.core.outcomes.Standing;
import wendo.core.visits.ClickId;

/** Keeps outcomes and the history of what news changed. Runs in the transaction of its caller. */
@Component
class OutcomeStore {
    private final OutcomeRepository repository;
    private final OutcomeChangeRepository history;
    private final JdbcClient jdbc;
    private final ApplicationEventPublisher events;
    private final Clock clock;

    OutcomeStore(
            OutcomeRepository repository,
            OutcomeChangeRepository history,
            JdbcClient jdbc,
            ApplicationEventPublisher events,
            Clock clock) {
        this.repository = repository;
        this.history = history;
        this.jdbc = jdbc;
        this.events = events;
        this.clock = clock;
    }

    /** Of many who bring the first news at once, the unique key decides who was first. */
    Recorded save(OutcomeReport report, Reporter reporter, Optional<UUID> partner, String by) {
        Optional<Outcome> known = lock(report);
        if (known.isPresent()) {
            return change(known.get(), report, reporter, new News(partner, by));
        }
        Standing standing = Standing.open(report.valueMinor().orElse(0));
        Optional<Standing> first = KnownOutcome.told(standing, report);
        return first.isEmpty()
                ? refusal(standing)
                : insert(report, first.get(), reporter, partner)
                        .<Recorded>map(Recorded.New::new)
                        .orElseGet(() -> change(lock(report).orElseThrow(), report, reporter, new News(partner, by)));
    }

    /** Whose partner's news it is, and who tells it. */
    private record News(Optional<UUID> partner, String by) {}

    private Optional<Outcome> lock(OutcomeReport report) {
        return repository.lock(report.kind().key(), report.referenceKey());
    }

    private Outcome lock(UUID outcome) {
        return repository.lock(outcome).orElseThrow();
    }

    /** Holds it until the end of the transaction, and refuses if it is not what a form showed. */
    void mustStillBe(OutcomeReport report, EditedVersion edited) {
        lock(report).ifPresent(known -> known.mustStillBe(edited));
    }

    Map<String, KnownOutcome> known(String kind, List<String> keys) {
        return repository.findAll(kind, keys.toArray(String[]::new)).stream()
                .collect(Collectors.toMap(Outcome::referenceKey, Outcome::known));
    }

    private static Recorded refusal(Standing standing) {
        return new Recorded.Refused(
                "refunded", Texts.of("outcome.outcomes.must-not-be-more-than", standing.valueMinor()));
    }

    private Optional<UUID> insert(OutcomeReport report, Standing standing, Reporter reporter, Optional<UUID> partner) {
        Instant now = clock.instant();
        Occurrence occurred = report.occurred().orElse(Occurrence.at(now));
        return jdbc.sql("""
                        insert into outcome (id, business_id, kind, reference, reference_key, value_minor, status, refunded_minor,
                            occurred_at, day_began_at, recorded_at, reported_by, name, email, phone, code, code_key, answer,
                            answer_key, items, note, partner_source_id, delivery_minor, click_id, is_proof)
                        select ?, ?, ?, ?, ?, ?, ?, ?, ?, cast(? as timestamptz), ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, c.click, exists (
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
                .param(report.deliveryMinor().orElse(0))
                .param(report.click().map(click -> click.uuid().toString()).orElse(null))
                .query(UUID.class)
                .optional();
    }

    private static @Nullable Timestamp dayBegan(Occurrence occurred) {
        return occurred.isDay() ? Timestamp.from(occurred.first()) : null;
    }

    private Recorded change(Outcome outcome, OutcomeReport report, Reporter reporter, News news) {
        KnownOutcome known = outcome.known();
        if (!reporter.mayChange()) {
            return new Recorded.AlreadyKnown(known.id());
        }
        return KnownOutcome.told(known.standing(), report)
                .map(standing -> become(outcome, known.with(standing, report, news.partner()), news.by()))
                .orElseGet(() -> refusal(known.standing()));
    }

    List<UUID> ofVisitors(List<UUID> visitors) {
        return repository.ofVisitors(visitors);
    }

    void by(UUID outcome, UUID visitor) {
        lock(outcome).reportedBy(visitor);
    }

    boolean cameByForm(UUID outcome, UUID form) {
        Outcome one = lock(outcome);
        one.cameByForm(form);
        return one.isProof();
    }

    boolean joinVisit(UUID outcome, ClickId click) {
        return lock(outcome).joinVisit(click);
    }

    /** False if it was so before. */
    boolean set(UUID outcome, Optional<UUID> source, String name, String by) {
        Outcome one = lock(outcome);
        if (one.setSource().equals(source)) {
            return false;
        }
        String before = one.setSource().map(this::sourceName).orElse("");
        one.setSource(source, by);
        tell(outcome, List.of(new KnownOutcome.Change("source", before, name)), by);
        return true;
    }

    /** False if it was so before, or is another partner's. */
    boolean claim(UUID outcome, UUID partner, boolean isAgreed, String by) {
        Outcome one = lock(outcome);
        boolean isTheirs = one.claimedBy().filter(partner::equals).isPresent();
        if (isAgreed == isTheirs || (one.claimedBy().isPresent() && !isTheirs)) {
            return false;
        }
        String name = sourceName(partner);
        one.claimed(isAgreed ? Optional.of(partner) : Optional.empty());
        tell(outcome, List.of(new KnownOutcome.Change("claim", isTheirs ? name : "", isTheirs ? "" : name)), by);
        return true;
    }

    private String sourceName(UUID source) {
        return jdbc.sql("select name from source where id = ?")
                .param(source)
                .query(String.class)
                .single();
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
        Optional<Outcome> found = repository.lock(outcome);
        found.ifPresent(repository::delete);
        return found.isPresent();
    }

    /**
     * @param before how it stands again, from how it stands now
     * @param changedBy who changed it last, as the history says; if somebody else did since, it stays as it is
     */
    boolean restore(UUID outcome, UnaryOperator<KnownOutcome> before, String changedBy, String by) {
        Optional<Outcome> found = repository
                .lock(outcome)
                .filter(one -> history.findFirstByOutcomeIdOrderByChangedAtDesc(outcome)
                        .filter(last -> last.changedBy().equals(changedBy))
                        .isPresent());
        found.ifPresent(one -> become(one, before.apply(one.known()), by));
        return found.isPresent();
    }

    private Recorded become(Outcome outcome, KnownOutcome next, String by) {
        KnownOutcome known = outcome.known();
        if (next.equals(known)) {
            return new Recorded.AlreadyKnown(known.id());
        }
        outcome.become(next);
        tell(known.id(), known.changesTo(next), by);
        return new Recorded.Changed(known.id(), known);
    }

    private void tell(UUID outcome, List<KnownOutcome.Change> changes, String by) {
        Instant now = clock.instant();
        changes.forEach(change -> history.save(new OutcomeChange(outcome, change, by, now)));
    }

    /** In the order of their columns, with the keys that codes and answers are compared by. */
    private static List<String> columns(ReportedDetails told) {
        return List.of(
                told.name(),
                told.email(),
                told.phone(),
                told.code(),
                Outcome.codeKey(told),
                told.answer(),
                Outcome.answerKey(told),
                told.items(),
                told.note());
    }
}
