package wendo.app.handover;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import wendo.app.business.BusinessScope;
import wendo.core.handover.Delay;

/** Follow-up plans and their steps. */
@Service
class Plans {
    static final int MAX_STEPS = 12;

    private final JdbcClient jdbc;

    Plans(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /** @param kind email, text, voice or task */
    record Step(String kind, Delay delay, String subject, String body, Optional<UUID> clip) {
        public static Step empty() {
            return new Step("email", new Delay(0, 0), "", "", Optional.empty());
        }
    }

    record Plan(UUID id, String name, List<Step> steps) {}

    @Transactional(readOnly = true)
    List<Plan> list() {
        return jdbc.sql("select id, name from follow_up_plan order by name")
                .query((row, number) ->
                        new Plan(row.getObject(1, UUID.class), row.getString(2), steps(row.getObject(1, UUID.class))))
                .list();
    }

    @Transactional(readOnly = true)
    Optional<Plan> find(UUID id) {
        return list().stream().filter(plan -> plan.id().equals(id)).findFirst();
    }

    @Transactional(readOnly = true)
    List<Step> steps(UUID plan) {
        return jdbc.sql("""
                        select kind, days, minutes, subject, body, clip_id from follow_up_step
                        where plan_id = ? order by place
                        """)
                .param(plan)
                .query((row, number) -> new Step(
                        row.getString(1),
                        new Delay(row.getInt(2), row.getInt(3)),
                        row.getString(4),
                        row.getString(5),
                        Optional.ofNullable(row.getObject(6, UUID.class))))
                .list();
    }

    @Transactional
    UUID add(String name) {
        UUID id = UUID.randomUUID();
        jdbc.sql("insert into follow_up_plan values (?, ?, ?)")
                .params(id, BusinessScope.current().value(), name)
                .update();
        return id;
    }

    /** Plans under way keep the messages that they have. */
    @Transactional
    void keep(UUID plan, String name, List<Step> steps) {
        jdbc.sql("update follow_up_plan set name = ? where id = ?")
                .params(name, plan)
                .update();
        jdbc.sql("delete from follow_up_step where plan_id = ?").param(plan).update();
        int place = 0;
        for (Step step : steps) {
            jdbc.sql("insert into follow_up_step values (?, ?, ?, ?, ?, ?, ?, ?, ?)")
                    .params(BusinessScope.current().value(), plan, place++, step.kind())
                    .params(step.delay().days(), step.delay().minutes(), step.subject(), step.body())
                    .param(step.clip().orElse(null))
                    .update();
        }
    }

    @Transactional(readOnly = true)
    boolean isTaken(String name, Optional<UUID> except) {
        return list().stream()
                .anyMatch(plan -> plan.name().equalsIgnoreCase(name)
                        && except.filter(plan.id()::equals).isEmpty());
    }
}
