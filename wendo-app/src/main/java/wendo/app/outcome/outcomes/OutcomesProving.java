package wendo.app.outcome.outcomes;

import java.util.List;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.context.event.EventListener;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.scheduling.annotation.Async;
import org.springframework.stereotype.Component;
import org.springframework.transaction.event.TransactionalEventListener;
import wendo.app.platform.business.BusinessScope;
import wendo.app.visit.visits.VisitsStored;

/**
 * Marks outcomes that were faster than the carrier of their visit, once that turns out to be a proof's. Visit and
 * outcome may become visible in either order, so both events are listened to.
 */
@Component
class OutcomesProving {
    private final BusinessScope scope;
    private final JdbcClient jdbc;

    OutcomesProving(BusinessScope scope, JdbcClient jdbc) {
        this.scope = scope;
        this.jdbc = jdbc;
    }

    @EventListener
    void on(VisitsStored stored) {
        stored.visits().stream()
                .filter(VisitsStored.Visit::isProof)
                .collect(Collectors.groupingBy(
                        VisitsStored.Visit::business,
                        Collectors.mapping(VisitsStored.Visit::click, Collectors.toList())))
                .forEach((business, clicks) -> scope.within(business, () -> mark(clicks)));
    }

    @Async
    @TransactionalEventListener
    void on(OutcomesRecorded recorded) {
        scope.within(recorded.business(), () -> markAll(recorded.outcomes()));
    }

    /** Later news can bring the click identifier. */
    @Async
    @TransactionalEventListener
    void on(OutcomesChanged changed) {
        scope.within(changed.business(), () -> markAll(changed.outcomes()));
    }

    private int markAll(List<UUID> outcomes) {
        return mark(jdbc.sql("select click_id from outcome where id in (:ids) and click_id is not null")
                .param("ids", outcomes)
                .query(UUID.class)
                .list());
    }

    private int mark(List<UUID> clicks) {
        return clicks.isEmpty()
                ? 0
                : jdbc.sql("""
                        update outcome o set is_proof = true, version = o.version + 1
                        where o.click_id = any(cast(:clicks as uuid[])) and not o.is_proof and exists (
                            select from visit v where v.click_id = o.click_id and v.arrived_at = click_time(o.click_id)
                                and v.kind = 'proof')
                        """).param("clicks", clicks.toArray(UUID[]::new)).update();
    }
}
