package wendo.app.lead.leads;

import java.util.List;
import java.util.Map;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import wendo.app.platform.privacy.KnownPerson;
import wendo.app.platform.privacy.PersonalQuery;
import wendo.app.platform.privacy.PersonalRecords;

/** Notes, histories and tasks of leads. */
@Component
class LeadPersonalRecords implements PersonalRecords {
    private static final PersonalQuery KEPT = PersonalQuery.of(
            """
            select l.stage, l.note, l.lost_reason,
                (select coalesce(string_agg(e.said, '; ' order by e.at), '') from lead_event e where e.lead_id = l.outcome_id),
                (select coalesce(string_agg(t.text, '; ' order by t.due_at), '') from lead_task t where t.lead_id = l.outcome_id)
            from lead l where l.outcome_id = any(:outcomes)
            """, "common.stage", "common.note", "common.reason", "platform.privacy.history", "platform.privacy.tasks");

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
        return KEPT.find(jdbc, person);
    }

    @Override
    public void erase(KnownPerson person) {
        repository.erase(person.outcomeArray());
        repository.eraseEvents(person.outcomeArray());
        repository.eraseTasks(person.outcomeArray());
    }
}
