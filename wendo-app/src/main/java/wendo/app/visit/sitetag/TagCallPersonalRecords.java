package wendo.app.visit.sitetag;

import java.util.List;
import java.util.Map;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import wendo.app.platform.privacy.KnownPerson;
import wendo.app.platform.privacy.PersonalQuery;
import wendo.app.platform.privacy.PersonalRecords;

/** The last calls of the site tag, which are kept for a day. */
@Component
class TagCallPersonalRecords implements PersonalRecords {
    private static final PersonalQuery KEPT =
            PersonalQuery.of("""
            select t.what, t.page, t.fields::text, to_char(t.at at time zone 'UTC', 'YYYY-MM-DD HH24:MI') || ' UTC' from tag_call t
            where exists (select from unnest(:contacts) c where position(c in lower(t.fields::text)) > 0)
            order by t.at
            """, "platform.privacy.kind", "common.page", "platform.privacy.text", "common.when");

    private final JdbcClient jdbc;
    private final OwnSiteRepository repository;

    TagCallPersonalRecords(JdbcClient jdbc, OwnSiteRepository repository) {
        this.jdbc = jdbc;
        this.repository = repository;
    }

    @Override
    public String heading() {
        return "platform.privacy.tag-calls";
    }

    @Override
    public List<Map<String, String>> find(KnownPerson person) {
        return KEPT.find(jdbc, person);
    }

    @Override
    public void erase(KnownPerson person) {
        repository.eraseCalls(person.contactArray());
    }
}
