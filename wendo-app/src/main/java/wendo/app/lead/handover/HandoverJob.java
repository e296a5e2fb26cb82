package wendo.app.lead.handover;

import com.github.kagkarlsson.scheduler.task.helper.RecurringTask;
import com.github.kagkarlsson.scheduler.task.helper.Tasks;
import com.github.kagkarlsson.scheduler.task.schedule.FixedDelay;
import java.sql.Timestamp;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.UUID;
import java.util.stream.Stream;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.context.event.EventListener;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.scheduling.annotation.Async;
import org.springframework.transaction.event.TransactionalEventListener;
import wendo.app.lead.leads.Leads;
import wendo.app.outcome.outcomes.OutcomesRecorded;
import wendo.app.platform.business.BusinessId;
import wendo.app.platform.business.BusinessScope;
import wendo.app.platform.sending.MessageAnswered;
import wendo.app.platform.sending.MessageStopped;
import wendo.app.platform.site.Installation;
import wendo.app.platform.site.Texts;
import wendo.app.visit.visits.VisitsStored;

/** Takes up leads as they arrive and hands each over once, when the visit that brought it is known or a minute later. */
@Configuration
class HandoverJob {
    private static final Logger LOG = LoggerFactory.getLogger(HandoverJob.class);
    private static final Duration PATIENCE = Duration.ofMinutes(1);
    private static final Duration TRIED_AGAIN_AFTER = Duration.ofMinutes(5);
    private static final int PORTION = 100;

    private final JdbcClient jdbc;
    private final BusinessScope scope;
    private final Leads leads;
    private final LeadAssigner handing;
    private final Clock clock;

    HandoverJob(JdbcClient jdbc, BusinessScope scope, Leads leads, LeadAssigner handing, Clock clock) {
        this.jdbc = jdbc;
        this.scope = scope;
        this.leads = leads;
        this.handing = handing;
        this.clock = clock;
    }

    @Async
    @TransactionalEventListener
    void on(OutcomesRecorded event) {
        scope.within(event.business(), () -> {
            leads.take(event.outcomes());
            event.outcomes().forEach(leads::becomes);
            return true;
        });
        handAll(event.business());
    }

    /** A lead can be faster than the carrier of its visit. */
    @Async
    @EventListener
    void on(VisitsStored event) {
        waiting().filter(event.businesses()::contains).forEach(this::handAll);
    }

    @Async
    @TransactionalEventListener(fallbackExecution = true)
    void on(MessageAnswered event) {
        scope.within(event.business(), () -> {
            String said = event.wantsNoMore()
                    ? Texts.of("lead.handover.they-want-no-more-messages-2")
                    : Texts.of("lead.handover.they-answered");
            leads.note(event.lead(), "Wendo", said);
            leads.stop(event.lead(), said);
            return true;
        });
    }

    /** In the same transaction, so that a rollback leaves no line in the history. */
    @EventListener
    void on(MessageStopped event) {
        leads.note(event.lead(), "Wendo", event.said());
    }

    /** Leads that no event handed over, because the visit came later or the process died in between. */
    @Bean
    RecurringTask<Void> handingOverTask(Installation installation) {
        return Tasks.recurring(
                        "handing-over", FixedDelay.of(installation.jobsEvery().multipliedBy(3)))
                .execute((task, context) -> handWaiting());
    }

    void handWaiting() {
        waiting().forEach(this::handAll);
    }

    private Stream<BusinessId> waiting() {
        return jdbc.sql("select door_leads_waiting()").query(UUID.class).list().stream()
                .map(BusinessId::new);
    }

    /** Each in a transaction of its own: one that cannot be handed over keeps no other waiting. */
    private void handAll(BusinessId business) {
        for (UUID lead : scope.within(business, this::ready)) {
            try {
                scope.within(business, () -> {
                    if (leads.hand(lead)) {
                        handing.hand(lead);
                    }
                    return true;
                });
            } catch (RuntimeException e) {
                LOG.error("Lead {} could not be handed over; it is tried again in {}", lead, TRIED_AGAIN_AFTER, e);
                scope.within(business, () -> leads.tried(lead));
            }
        }
    }

    private List<UUID> ready() {
        Instant now = clock.instant();
        return jdbc.sql("""
                        select l.outcome_id from lead l join outcome o on o.id = l.outcome_id
                        where l.handed_at is null and not o.is_proof and (l.tried_at is null or l.tried_at < ?)
                            and (o.click_id is null or o.recorded_at < ? or exists (
                                select from visit v
                                where v.click_id = o.click_id and v.arrived_at = click_time(o.click_id)))
                        order by l.arrived_at limit ?
                        """)
                .params(Timestamp.from(now.minus(TRIED_AGAIN_AFTER)), Timestamp.from(now.minus(PATIENCE)), PORTION)
                .query(UUID.class)
                .list();
    }
}
