package wendo.app.place.newsletters;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import wendo.app.platform.privacy.KnownPerson;
import wendo.app.platform.privacy.PersonalRecords;

/** Subscribers to newsletters. */
@Component
class SubscriberPersonalRecords implements PersonalRecords {
    private static final String SQL = """
            select u.email, to_char(u.subscribed_at at time zone 'UTC', 'YYYY-MM-DD HH24:MI') || ' UTC', l.name from subscriber u join link l on l.id = u.link_id
            where lower(u.email) = any(:contacts) order by u.subscribed_at
            """;

    private final JdbcClient jdbc;
    private final SubscriberRepository repository;

    SubscriberPersonalRecords(JdbcClient jdbc, SubscriberRepository repository) {
        this.jdbc = jdbc;
        this.repository = repository;
    }

    @Override
    public String heading() {
        return "common.subscribers";
    }

    @Override
    public List<Map<String, String>> find(KnownPerson person) {
        return jdbc.sql(SQL)
                .param("contacts", person.contactArray())
                .param("outcomes", person.outcomeArray())
                .query((row, number) -> {
                    Map<String, String> found = new LinkedHashMap<>();
                    found.put("common.e-mail", row.getString(1));
                    found.put("common.when", row.getString(2));
                    found.put("common.link", row.getString(3));
                    return found;
                })
                .list();
    }

    @Override
    public void erase(KnownPerson person) {
        repository.erase(person.contactArray());
    }
}
