package wendo.app.platform.consent;

import java.util.List;
import java.util.Map;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import wendo.app.platform.privacy.KnownPerson;
import wendo.app.platform.privacy.PersonalQuery;
import wendo.app.platform.privacy.PersonalRecords;

/** What people agreed to. */
@Component
class ConsentPersonalRecords implements PersonalRecords {
    private static final PersonalQuery KEPT = PersonalQuery.of(
            """
            select r.contact, r.purpose, w.words, to_char(r.given_at at time zone 'UTC', 'YYYY-MM-DD HH24:MI') || ' UTC', r.page, coalesce(to_char(r.withdrawn_at at time zone 'UTC', 'YYYY-MM-DD HH24:MI') || ' UTC', '')
            from consent_record r join consent_words w on w.id = r.words_id
            where lower(r.contact) = any(:contacts) order by r.given_at
            """,
            "platform.consent.contact",
            "common.purpose",
            "platform.consent.words",
            "platform.consent.given-at",
            "common.page",
            "platform.consent.withdrawn-at");

    private final JdbcClient jdbc;
    private final ConsentRecordRepository repository;

    ConsentPersonalRecords(JdbcClient jdbc, ConsentRecordRepository repository) {
        this.jdbc = jdbc;
        this.repository = repository;
    }

    @Override
    public String heading() {
        return "common.consent";
    }

    @Override
    public List<Map<String, String>> find(KnownPerson person) {
        return KEPT.find(jdbc, person);
    }

    @Override
    public void erase(KnownPerson person) {
        repository.erase(person.contactArray());
    }
}
