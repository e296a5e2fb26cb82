package wendo.app.place.messages;

import java.util.List;
import java.util.Map;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import wendo.app.platform.privacy.KnownPerson;
import wendo.app.platform.privacy.PersonalQuery;
import wendo.app.platform.privacy.PersonalRecords;

/** Recipients of messages, from files. */
@Component
class RecipientPersonalRecords implements PersonalRecords {
    private static final PersonalQuery KEPT =
            PersonalQuery.of("""
            select r.name, r.phone, r.email, l.name from recipient r join link l on l.id = r.link_id
            where (r.phone = any(:contacts) or lower(r.email) = any(:contacts)) order by l.name
            """, "common.name", "common.phone", "common.e-mail", "common.link");

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
        return KEPT.find(jdbc, person);
    }

    @Override
    public void erase(KnownPerson person) {
        repository.erase(person.contactArray());
    }
}
