package wendo.app.outcomes;

import java.sql.Timestamp;
import java.time.Clock;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import wendo.app.business.BusinessScope;
import wendo.core.outcomes.OutcomeReport;

/** Records outcomes of the current business, each once by its kind and reference. */
@Service
public class Outcomes {
    private final JdbcClient jdbc;
    private final ApplicationEventPublisher events;
    private final Clock clock;

    Outcomes(JdbcClient jdbc, ApplicationEventPublisher events, Clock clock) {
        this.jdbc = jdbc;
        this.events = events;
        this.clock = clock;
    }

    @Transactional
    public Recorded record(OutcomeReport report, Reporter reporter) {
        Recorded recorded = store(report, reporter);
        if (recorded instanceof Recorded.New) {
            events.publishEvent(new OutcomesRecorded(BusinessScope.current(), List.of(recorded.outcome())));
        }
        return recorded;
    }

    /** Records many in one transaction, told of as one event. */
    @Transactional
    public List<Recorded> recordAll(List<OutcomeReport> reports, Reporter reporter) {
        List<Recorded> all = new ArrayList<>();
        reports.forEach(report -> all.add(store(report, reporter)));
        List<UUID> fresh = all.stream()
                .filter(Recorded.New.class::isInstance)
                .map(Recorded::outcome)
                .toList();
        if (!fresh.isEmpty()) {
            events.publishEvent(new OutcomesRecorded(BusinessScope.current(), fresh));
        }
        return List.copyOf(all);
    }

    /** The unique key decides who was first, however many come at once. */
    private Recorded store(OutcomeReport report, Reporter reporter) {
        Optional<UUID> fresh = jdbc.sql("""
                        insert into outcome (id, business_id, kind, reference, value_minor, occurred_at, recorded_at,
                            click_id, reported_by, is_proof)
                        select ?, ?, ?, ?, ?, ?, ?, c.click, ?, exists (
                            select from visit v
                            where v.click_id = c.click and v.arrived_at = click_time(c.click) and v.kind = 'proof')
                        from (select cast(? as uuid) as click) c
                        on conflict (business_id, kind, reference) do nothing
                        returning id
                        """)
                .params(
                        UUID.randomUUID(),
                        BusinessScope.current().value(),
                        report.kind().key(),
                        report.reference())
                .params(report.valueMinor(), Timestamp.from(report.occurredAt()), Timestamp.from(clock.instant()))
                .param(reporter.key())
                .param(report.click().map(click -> click.uuid().toString()).orElse(null))
                .query(UUID.class)
                .optional();
        return fresh.<Recorded>map(Recorded.New::new).orElseGet(() -> new Recorded.AlreadyKnown(find(report)));
    }

    private UUID find(OutcomeReport report) {
        return jdbc.sql("select id from outcome where kind = ? and reference = ?")
                .params(report.kind().key(), report.reference())
                .query(UUID.class)
                .single();
    }
}
