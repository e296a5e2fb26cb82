package wendo.app.visit.sitetag;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import wendo.app.platform.privacy.KnownPerson;
import wendo.app.platform.privacy.PersonalRecords;

/** The last calls of the site tag, which are kept for a day. */
@Component
class TagCallPersonalRecords implements PersonalRecords {
    private static final String SQL = """
            select t.what, t.page, t.fields::text, to_char(t.at at time zone 'UTC', 'YYYY-MM-DD HH24:MI') || ' UTC' from tag_call t
            where exists (select from unnest(:contacts) c where position(c in lower(t.fields::text)) > 0)
            order by t.at
            """;

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
        return jdbc.sql(SQL)
                .param("contacts", person.contactArray())
                .param("outcomes", person.outcomeArray())
                .query((row, number) -> {
                    Map<String, String> found = new LinkedHashMap<>();
                    found.put("platform.privacy.kind", row.getString(1));
                    found.put("common.page", row.getString(2));
                    found.put("platform.privacy.text", row.getString(3));
                    found.put("common.when", row.getString(4));
                    return found;
                })
                .list();
    }

    @Override
    public void erase(KnownPerson person) {
        repository.eraseCalls(person.contactArray());
    }
}
