package wendo.app.place.newsletters;

import java.util.List;
import java.util.Map;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import wendo.app.platform.privacy.KnownPerson;
import wendo.app.platform.privacy.PersonalQuery;
import wendo.app.platform.privacy.PersonalRecords;

/** Subscribers to newsletters. */
@Component
class SubscriberPersonalRecords implements PersonalRecords {
    private static final PersonalQuery KEPT = PersonalQuery.of("""
            select u.email, to_char(u.subscribed_at at time zone 'UTC', 'YYYY-MM-DD HH24:MI') || ' UTC', l.name from subscriber u join link l on l.id = u.link_id
            where lower(u.email) = any(:contacts) order by u.subscribed_at
            """, "common.e-mail", "common.when", "common.link");

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
        return KEPT.find(jdbc, person);
    }

    @Override
    public void erase(KnownPerson person) {
        repository.erase(person.contactArray());
    }
}
