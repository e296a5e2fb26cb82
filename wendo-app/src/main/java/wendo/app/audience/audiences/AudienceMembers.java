package wendo.app.audience.audiences;

import java.sql.Timestamp;
import java.time.Instant;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import wendo.app.platform.business.BusinessScope;

/** Keeps who belongs to an audience, and since when and until when they did. */
@Component
class AudienceMembers {
    private final JdbcClient jdbc;

    AudienceMembers(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /** Takes in whoever the rule is true of now, and lets the others go. */
    void follow(UUID audience, RuleSql.Where rule, Instant now) {
        rule.in(jdbc, """
                        with found as materialized (select p.id from audience_person p where {rule}),
                        gone as (
                            update audience_member m set left_at = :now
                            where m.audience_id = :audience and m.left_at is null
                                and not exists (select from found where found.id = m.person_id))
                        insert into audience_member (business_id, audience_id, person_id, joined_at)
                        select :business, :audience, found.id, :now from found
                        on conflict do nothing
                        """)
                .param("audience", audience)
                .param("business", BusinessScope.current().value())
                .param("now", Timestamp.from(now))
                .update();
    }
}
