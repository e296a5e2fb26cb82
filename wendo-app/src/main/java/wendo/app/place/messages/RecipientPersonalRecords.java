package wendo.app.place.messages;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import wendo.app.platform.privacy.KnownPerson;
import wendo.app.platform.privacy.PersonalRecords;

/** Recipients of messages, from files. */
@Component
class RecipientPersonalRecords implements PersonalRecords {
    private static final String SQL = """
            select r.name, r.phone, r.email, l.name from recipient r join link l on l.id = r.link_id
            where (r.phone = any(:contacts) or lower(r.email) = any(:contacts)) order by l.name
            """;

    private final JdbcClient jdbc;
    private final RecipientRepository repository;

    RecipientPersonalRecords(JdbcClient jdbc, RecipientRepository repository) {
        this.jdbc = jdbc;
        this.repository = repository;
    }

    @Override
    public String heading() {
        return "common.recipients";
    }

    @Override
    public List<Map<String, String>> find(KnownPerson person) {
        return jdbc.sql(SQL)
                .param("contacts", person.contactArray())
                .param("outcomes", person.outcomeArray())
                .query((row, number) -> {
                    Map<String, String> found = new LinkedHashMap<>();
                    found.put("common.name", row.getString(1));
                    found.put("common.phone", row.getString(2));
                    found.put("common.e-mail", row.getString(3));
                    found.put("common.link", row.getString(4));
                    return found;
                })
                .list();
    }

    @Override
    public void erase(KnownPerson person) {
        repository.erase(person.contactArray());
    }
}
