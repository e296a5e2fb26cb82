package wendo.app.platform.sending;

import java.util.List;
import java.util.Map;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import wendo.app.platform.privacy.KnownPerson;
import wendo.app.platform.privacy.PersonalQuery;
import wendo.app.platform.privacy.PersonalRecords;

/** Messages to people, and what they answered. */
@Component
class MessagePersonalRecords implements PersonalRecords {
    private static final PersonalQuery KEPT = PersonalQuery.of(
            """
            select m.road, m.recipient, m.subject, m.body, to_char(m.due_at at time zone 'UTC', 'YYYY-MM-DD HH24:MI') || ' UTC', m.state,
                (select coalesce(string_agg(a.text, '; ' order by a.received_at), '') from answer_received a where a.outgoing_id = m.id)
            from outgoing m where m.lead_id = any(:outcomes) or lower(m.recipient) = any(:contacts) order by m.due_at
            """,
            "platform.privacy.road",
            "platform.privacy.recipient",
            "platform.privacy.subject",
            "platform.privacy.text",
            "common.when",
            "common.status",
            "platform.privacy.answer");

    private final JdbcClient jdbc;
    private final OutgoingRepository repository;

    MessagePersonalRecords(JdbcClient jdbc, OutgoingRepository repository) {
        this.jdbc = jdbc;
        this.repository = repository;
    }

    @Override
    public String heading() {
        return "platform.privacy.messages";
    }

    @Override
    public List<Map<String, String>> find(KnownPerson person) {
        return KEPT.find(jdbc, person);
    }

    @Override
    public void erase(KnownPerson person) {
        repository.stopWaiting(person.outcomeArray(), person.contactArray());
        repository.eraseAnswers(person.outcomeArray(), person.contactArray());
        repository.erase(person.outcomeArray(), person.contactArray());
        repository.eraseOptOuts(person.contactArray());
        repository.eraseUnreachable(person.contactArray());
    }
}
