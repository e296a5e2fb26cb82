package wendo.app.platform.consent;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import wendo.app.platform.privacy.KnownPerson;
import wendo.app.platform.privacy.PersonalRecords;

/** What people agreed to. */
@Component
class ConsentPersonalRecords implements PersonalRecords {
    private static final String SQL = """
            select r.contact, r.purpose, w.words, to_char(r.given_at at time zone 'UTC', 'YYYY-MM-DD HH24:MI') || ' UTC', r.page, coalesce(to_char(r.withdrawn_at at time zone 'UTC', 'YYYY-MM-DD HH24:MI') || ' UTC', '')
            from consent_record r join consent_words w on w.id = r.words_id
            where lower(r.contact) = any(:contacts) order by r.given_at
            """;

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
        return jdbc.sql(SQL)
                .param("contacts", person.contactArray())
                .param("outcomes", person.outcomeArray())
                .query((row, number) -> {
                    Map<String, String> found = new LinkedHashMap<>();
                    found.put("platform.consent.contact", row.getString(1));
                    found.put("common.purpose", row.getString(2));
                    found.put("platform.consent.words", row.getString(3));
                    found.put("platform.consent.given-at", row.getString(4));
                    found.put("common.page", row.getString(5));
                    found.put("platform.consent.withdrawn-at", row.getString(6));
                    return found;
                })
                .list();
    }

    @Override
    public void erase(KnownPerson person) {
        repository.erase(person.contactArray());
    }
}
