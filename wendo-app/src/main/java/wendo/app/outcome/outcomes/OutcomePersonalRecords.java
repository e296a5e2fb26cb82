package wendo.app.outcome.outcomes;

import java.util.List;
import java.util.Map;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import wendo.app.platform.privacy.KnownPerson;
import wendo.app.platform.privacy.PersonalQuery;
import wendo.app.platform.privacy.PersonalRecords;

/** What people told with their leads, bookings and purchases. */
@Component
class OutcomePersonalRecords implements PersonalRecords {
    private static final PersonalQuery KEPT = PersonalQuery.of(
            """
            select o.kind, o.reference, to_char(o.occurred_at at time zone 'UTC', 'YYYY-MM-DD HH24:MI') || ' UTC', o.name, o.email, o.phone, o.answer, o.items, o.note
            from outcome o where o.id = any(:outcomes) or lower(o.email) = any(:contacts) or o.phone = any(:contacts)
            order by o.occurred_at
            """,
            "platform.privacy.kind",
            "common.reference",
            "common.when",
            "common.name",
            "common.e-mail",
            "common.phone",
            "platform.privacy.answer",
            "platform.privacy.items",
            "common.note");

    private final JdbcClient jdbc;
    private final OutcomeRepository repository;

    OutcomePersonalRecords(JdbcClient jdbc, OutcomeRepository repository) {
        this.jdbc = jdbc;
        this.repository = repository;
    }

    @Override
    public String heading() {
        return "common.outcomes";
    }

    @Override
    public List<Map<String, String>> find(KnownPerson person) {
        return KEPT.find(jdbc, person);
    }

    @Override
    public void erase(KnownPerson person) {
        repository.erase(person.outcomeArray());
        repository.eraseChanges(person.outcomeArray());
        repository.eraseReviews(person.contactArray());
    }
}
