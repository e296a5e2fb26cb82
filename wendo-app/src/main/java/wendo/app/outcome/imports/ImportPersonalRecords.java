package wendo.app.outcome.imports;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import wendo.app.platform.privacy.KnownPerson;
import wendo.app.platform.privacy.PersonalRecords;

/** Rows of files that were imported. */
@Component
class ImportPersonalRecords implements PersonalRecords {
    private static final String SQL = """
            select f.name, r.line, array_to_string(r.cells, ', ') from import_row r join import_file f on f.id = r.file_id
            where r.outcome_id = any(:outcomes) or exists (select from unnest(r.cells) c where lower(trim(c)) = any(:contacts))
            order by f.created_at, r.line
            """;

    private final JdbcClient jdbc;
    private final ImportRepository repository;

    ImportPersonalRecords(JdbcClient jdbc, ImportRepository repository) {
        this.jdbc = jdbc;
        this.repository = repository;
    }

    @Override
    public String heading() {
        return "platform.privacy.imported";
    }

    @Override
    public List<Map<String, String>> find(KnownPerson person) {
        return jdbc.sql(SQL)
                .param("contacts", person.contactArray())
                .param("outcomes", person.outcomeArray())
                .query((row, number) -> {
                    Map<String, String> found = new LinkedHashMap<>();
                    found.put("platform.privacy.file", row.getString(1));
                    found.put("common.line", row.getString(2));
                    found.put("platform.privacy.cells", row.getString(3));
                    return found;
                })
                .list();
    }

    @Override
    public void erase(KnownPerson person) {
        repository.erase(person.outcomeArray(), person.contactArray());
    }
}
