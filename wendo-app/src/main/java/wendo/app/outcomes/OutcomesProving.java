package wendo.app.outcomes;

import java.util.List;
import java.util.UUID;
import org.springframework.context.event.EventListener;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import wendo.app.business.BusinessScope;
import wendo.app.visits.VisitsStored;

/** Marks outcomes that were faster than the carrier of their visit, once that turns out to be a proof's. */
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
        scope.within(stored.business(), () -> mark(stored.clicks()));
    }

    private int mark(List<UUID> clicks) {
        return jdbc.sql("""
                        update outcome o set is_proof = true
                        where o.click_id in (:clicks) and not o.is_proof and exists (
                            select from visit v where v.click_id = o.click_id and v.arrived_at = click_time(o.click_id)
                                and v.kind = 'proof')
                        """).param("clicks", clicks).update();
    }
}
