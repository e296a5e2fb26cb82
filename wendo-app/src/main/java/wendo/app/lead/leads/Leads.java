package wendo.app.lead.leads;

import java.sql.Timestamp;
import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.context.event.EventListener;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import wendo.app.outcome.outcomes.OutcomeTakenBack;
import wendo.app.outcome.outcomes.Outcomes;
import wendo.app.platform.business.BusinessScope;
import wendo.app.platform.business.EditedVersion;
import wendo.app.platform.consent.ToldConsent;
import wendo.app.platform.sending.Outbox;
import wendo.app.platform.site.Limits;
import wendo.app.platform.site.Texts;
import wendo.core.outcomes.OutcomeReport;

/** What is done with leads. Each change leaves a line in the lead's history. */
@Service
public class Leads {
    private static final int DAYS_OF_CONTACT = 180;

    private static final int MAX_NOTE = Limits.NOTE;
    private static final int MAX_LINE = 400;

    private final LeadRepository repository;
    private final LeadTaskRepository tasks;
    private final LeadEventRepository history;
    private final JdbcClient jdbc;
    private final Outbox outbox;
    private final Outcomes outcomes;
    private final Clock clock;

    Leads(
            LeadRepository repository,
            LeadTaskRepository tasks,
            LeadEventRepository history,
            JdbcClient jdbc,
            Outbox outbox,
            Outcomes outcomes,
            Clock clock) {
        this.repository = repository;
        this.tasks = tasks;
        this.history = history;
        this.jdbc = jdbc;
        this.outbox = outbox;
        this.outcomes = outcomes;
        this.clock = clock;
    }

    /** What a handover gives a lead on its arrival. */
    public record Given(Optional<UUID> owner, List<String> labels, String note, String sharedWith) {}

    /** Takes up outcomes that are leads and no tests, each once. */
    @Transactional
    public void take(List<UUID> outcomes) {
        jdbc.sql("""
                        insert into lead (outcome_id, business_id, stage, quoted_minor, lost_reason, labels, note, shared_with,
                            arrived_at)
                        select id, business_id, 'new', 0, '', '{}', '', '', occurred_at
                        from outcome where id in (:outcomes) and kind = 'lead' and not is_proof
                        on conflict do nothing
                        """).param("outcomes", outcomes).update();
    }

    /** True for the one caller that hands this lead over; from then on it is handed over. */
    @Transactional
    public boolean hand(UUID lead) {
        Optional<Lead> handed = repository.lock(lead).filter(one -> !one.isHanded());
        handed.ifPresent(one -> one.hand(clock.instant()));
        return handed.isPresent();
    }

    /** A lead that could not be handed over now. */
    @Transactional
    public boolean tried(UUID lead) {
        Optional<Lead> open = repository.lock(lead);
        open.ifPresent(one -> one.tried(clock.instant()));
        return open.isPresent();
    }

    @Transactional
    public void give(UUID lead, Given given, String said) {
        repository.lock(lead).orElseThrow().give(given, cut(given.note(), MAX_NOTE));
        note(lead, "Wendo", said);
    }

    @Transactional
    public void addTask(UUID lead, Optional<Integer> place, String text, Instant dueAt) {
        jdbc.sql("""
                        insert into lead_task (id, business_id, lead_id, place, text, due_at, done_by)
                        values (?, ?, ?, ?, ?, ?, '') on conflict do nothing
                        """)
                .params(UUID.randomUUID(), BusinessScope.current().value(), lead)
                .param(place.orElse(null))
                .params(cut(text, MAX_LINE), Timestamp.from(dueAt))
                .update();
    }

    /** Ends the follow-up of a lead; tasks stay, for a person decides on them. */
    @Transactional
    public void stop(UUID lead, String why) {
        int stopped = outbox.stop(lead, why);
        if (stopped > 0) {
            note(lead, "Wendo", Texts.kept("lead.leads.not-sent", why, stopped));
        }
    }

    /** Fields that were filled in can make a text longer than its column. */
    private static String cut(String text, int most) {
        return text.length() <= most ? text : text.substring(0, most - 1) + "…";
    }

    /** A line in the lead's history. */
    @Transactional
    public void note(UUID lead, String by, String said) {
        history.save(new LeadEvent(lead, clock.instant(), by, cut(said, MAX_LINE)));
    }

    /** A booking or purchase of somebody whose lead is open: that is what the lead became. */
    @Transactional
    public void becomes(UUID outcome) {
        List<UUID> open = jdbc.sql("""
                        select l.outcome_id from outcome o
                        join outcome lo on lo.kind = 'lead' and lo.occurred_at <= o.occurred_at
                            and lo.occurred_at > o.occurred_at - make_interval(days => :days)
                            and ((lo.email = o.email and o.email <> '') or (lo.phone = o.phone and o.phone <> '')
                                or lo.reference_key = o.reference_key)
                        join lead l on l.outcome_id = lo.id and l.became_id is null and l.stage <> 'lost'
                        where o.id = :outcome and o.kind <> 'lead' and not o.is_proof
                            and not exists (select from lead where became_id = :outcome)
                        order by lo.occurred_at desc limit 1
                        """)
                .param("outcome", outcome)
                .param("days", DAYS_OF_CONTACT)
                .query(UUID.class)
                .list();
        for (UUID lead : open) {
            repository.lock(lead).orElseThrow().became(outcome);
            note(lead, "Wendo", Texts.kept("lead.leads.they-booked-or-bought-the"));
            stop(lead, Texts.kept("lead.leads.they-booked-or-bought"));
        }
    }

    /** What is said of a lead's stage, what was quoted, why it was lost, and the line that the history gets. */
    record Stood(Stage stage, long quotedMinor, String lostReason, String said) {}

    /** What a lead became, and what is said of its stage. */
    record Won(OutcomeReport report, Stood stood) {}

    @Transactional(readOnly = true)
    int version(UUID lead) {
        return repository.findById(lead).map(Lead::version).orElse(0);
    }

    /** Won as this booking or purchase, which carries the lead's origin along. What was quoted stays. */
    @Transactional
    void win(UUID lead, EditedVersion edited, Won became, String by) {
        Lead won = repository.lock(lead).orElseThrow();
        won.mustStillBe(edited);
        won.wonByHand(outcomes.enter(became.report(), Optional.empty(), ToldConsent.none(), by));
        note(lead, by, became.stood().said());
        stop(lead, Texts.kept("lead.leads.the-lead-is-won"));
    }

    @Transactional
    void stage(UUID lead, EditedVersion edited, Stood stood, String by) {
        Lead moved = repository.lock(lead).orElseThrow();
        moved.mustStillBe(edited);
        moved.stage(stood.stage(), stood.quotedMinor(), stood.lostReason());
        note(lead, by, stood.said());
        if (stood.stage().isOver()) {
            stop(
                    lead,
                    stood.stage() == Stage.WON
                            ? Texts.kept("lead.leads.the-lead-is-won")
                            : Texts.kept("lead.leads.the-lead-is-lost"));
        }
    }

    @Transactional
    void own(UUID lead, Optional<UUID> owner, String by, String said) {
        repository.lock(lead).orElseThrow().own(owner);
        note(lead, by, said);
    }

    /** False if it was done before. */
    @Transactional
    boolean finishTask(UUID lead, UUID task, String by) {
        Optional<LeadTask> open = tasks.findByIdAndLeadId(task, lead).filter(one -> !one.isDone());
        open.ifPresent(one -> one.finish(clock.instant(), by));
        return open.isPresent();
    }

    @EventListener
    void on(OutcomeTakenBack event) {
        tasks.deleteByLeadId(event.outcome());
        history.deleteByLeadId(event.outcome());
        repository.lock(event.outcome()).ifPresent(repository::delete);
    }
}
