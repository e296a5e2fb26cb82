package wendo.app.outcome.outcomes;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import wendo.app.platform.privacy.KnownPerson;
import wendo.app.platform.privacy.PersonalRecords;

/** What people told with their leads, bookings and purchases. */
@Component
class OutcomePersonalRecords implements PersonalRecords {
    private static final String SQL = """
            select o.kind, o.reference, to_char(o.occurred_at at time zone 'UTC', 'YYYY-MM-DD HH24:MI') || ' UTC', o.name, o.email, o.phone, o.answer, o.items, o.note
            from outcome o where o.id = any(:outcomes) or lower(o.email) = any(:contacts) or o.phone = any(:contacts)
            order by o.occurred_at
            """;

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
        return jdbc.sql(SQL)
                .param("contacts", person.contactArray())
                .param("outcomes", person.outcomeArray())
                .query((row, number) -> {
                    Map<String, String> found = new LinkedHashMap<>();
                    found.put("platform.privacy.kind", row.getString(1));
                    found.put("common.reference", row.getString(2));
                    found.put("common.when", row.getString(3));
                    found.put("common.name", row.getString(4));
                    found.put("common.e-mail", row.getString(5));
                    found.put("common.phone", row.getString(6));
                    found.put("platform.privacy.answer", row.getString(7));
                    found.put("platform.privacy.items", row.getString(8));
                    found.put("common.note", row.getString(9));
                    return found;
                })
                .list();
    }

    @Override
    public void erase(KnownPerson person) {
        repository.erase(person.outcomeArray());
        repository.eraseChanges(person.outcomeArray());
        repository.eraseReviews(person.contactArray());
    }
}
