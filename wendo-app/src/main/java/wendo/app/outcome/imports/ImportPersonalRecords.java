package wendo.app.outcome.imports;

import java.util.List;
import java.util.Map;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import wendo.app.platform.privacy.KnownPerson;
import wendo.app.platform.privacy.PersonalQuery;
import wendo.app.platform.privacy.PersonalRecords;

/** Rows of files that were imported. */
@Component
class ImportPersonalRecords implements PersonalRecords {
    private static final PersonalQuery KEPT =
            PersonalQuery.of("""
            select f.name, r.line, array_to_string(r.cells, ', ') from import_row r join import_file f on f.id = r.file_id
            where r.outcome_id = any(:outcomes) or exists (select from unnest(r.cells) c where lower(trim(c)) = any(:contacts))
            order by f.created_at, r.line
            """, "platform.privacy.file", "common.line", "platform.privacy.cells");

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
        return KEPT.find(jdbc, person);
    }

    @Override
    public void erase(KnownPerson person) {
        repository.erase(person.outcomeArray(), person.contactArray());
    }
}
