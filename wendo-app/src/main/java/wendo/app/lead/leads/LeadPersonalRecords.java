package wendo.app.lead.leads;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import wendo.app.platform.privacy.KnownPerson;
import wendo.app.platform.privacy.PersonalRecords;

/** Notes, histories and tasks of leads. */
@Component
class LeadPersonalRecords implements PersonalRecords {
    private static final String SQL = """
            select l.stage, l.note, l.lost_reason,
                (select coalesce(string_agg(e.said, '; ' order by e.at), '') from lead_event e where e.lead_id = l.outcome_id),
                (select coalesce(string_agg(t.text, '; ' order by t.due_at), '') from lead_task t where t.lead_id = l.outcome_id)
            from lead l where l.outcome_id = any(:outcomes)
            """;

    private final JdbcClient jdbc;
    private final LeadRepository repository;

    LeadPersonalRecords(JdbcClient jdbc, LeadRepository repository) {
        this.jdbc = jdbc;
        this.repository = repository;
    }

    @Override
    public String heading() {
        return "common.leads";
    }

    @Override
    public List<Map<String, String>> find(KnownPerson person) {
        return jdbc.sql(SQL)
                .param("contacts", person.contactArray())
                .param("outcomes", person.outcomeArray())
                .query((row, number) -> {
                    Map<String, String> found = new LinkedHashMap<>();
                    found.put("common.stage", row.getString(1));
                    found.put("common.note", row.getString(2));
                    found.put("common.reason", row.getString(3));
                    found.put("platform.privacy.history", row.getString(4));
                    found.put("platform.privacy.tasks", row.getString(5));
                    return found;
                })
                .list();
    }

    @Override
    public void erase(KnownPerson person) {
        repository.erase(person.outcomeArray());
        repository.eraseEvents(person.outcomeArray());
        repository.eraseTasks(person.outcomeArray());
    }
}
