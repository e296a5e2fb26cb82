package wendo.app.handover;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import wendo.app.business.BusinessScope;
import wendo.app.consent.ConsentPurpose;
import wendo.core.handover.Delay;

/** Follow-up plans and their steps. */
@Service
class Plans {
    static final int MAX_STEPS = 12;

    private final JdbcClient jdbc;

    Plans(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /**
     * @param kind email, text, voice or task
     * @param isNews whether it goes beyond answering the enquiry, so that it needs consent
     */
    record Step(String kind, Delay delay, String subject, String body, Optional<UUID> clip, boolean isNews) {
        public static Step empty() {
            return new Step("email", new Delay(0, 0), "", "", Optional.empty(), false);
        }
    }

    /** The consent that a step needs; a task needs none. */
    static Optional<ConsentPurpose> needs(Step step) {
        return !step.isNews() || step.kind().equals("task")
                ? Optional.empty()
                : Optional.of(step.kind().equals("email") ? ConsentPurpose.EMAIL_NEWS : ConsentPurpose.TEXT_NEWS);
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
                        select kind, days, minutes, subject, body, clip_id, is_news from follow_up_step
                        where plan_id = ? order by place
                        """)
                .param(plan)
                .query((row, number) -> new Step(
                        row.getString(1),
                        new Delay(row.getInt(2), row.getInt(3)),
                        row.getString(4),
                        row.getString(5),
                        Optional.ofNullable(row.getObject(6, UUID.class)),
                        row.getBoolean(7)))
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
            jdbc.sql("""
                            insert into follow_up_step (business_id, plan_id, place, kind, days, minutes, subject, body,
                                clip_id, is_news)
                            values (?, ?, ?, ?, ?, ?, ?, ?, ?, ?)
                            """)
                    .params(BusinessScope.current().value(), plan, place++, step.kind())
                    .params(step.delay().days(), step.delay().minutes(), step.subject(), step.body())
                    .param(step.clip().orElse(null))
                    .param(step.isNews())
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
