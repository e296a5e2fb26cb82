package wendo.app.audience.audiences;

import java.util.HashMap;
import java.util.Map;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import wendo.app.platform.business.Business;
import wendo.app.platform.site.Amount;

/** How large audiences were when they were last looked at, and what divides customers. */
@Component
class AudienceSizes {
    /** Who belongs to the best tenth. Ours. */
    private static final double BEST = 0.9;

    private final JdbcClient jdbc;

    AudienceSizes(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    @Transactional(readOnly = true)
    Map<UUID, Long> members() {
        Map<UUID, Long> members = new HashMap<>();
        jdbc.sql("select audience_id, count(*) from audience_member where left_at is null group by 1")
                .query(row -> {
                    members.put(row.getObject(1, UUID.class), row.getLong(2));
                });
        return members;
    }

    /** Whether people are being looked at for the first time, or many of them anew. */
    @Transactional(readOnly = true)
    boolean isGathering() {
        return jdbc.sql("select count(*) > 100 from (select from audience_due limit 101) due")
                .query(Boolean.class)
                .single();
    }

    /** What one has to have spent to be of the best tenth, as it is typed; 1.00 while nobody has spent anything. */
    @Transactional(readOnly = true)
    String best(Business business) {
        long minor = jdbc.sql("""
                        select coalesce(percentile_disc(?) within group (order by spent), 0) from (
                            select sum(o.kept_minor) as spent
                            from outcome o join trail t on t.outcome_id = o.id join identity i on i.id = t.identity_id
                            where not o.is_proof and o.kind in ('booking', 'purchase') and o.kept_minor > 0
                            group by i.person) each_one
                        """).param(BEST).query(Long.class).single();
        return Amount.typed(Math.max(minor, 100), business.currency(), business.locale());
    }
}
