package wendo.app.outcome.imports;

import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.hibernate.annotations.JdbcTypeCode;
import org.hibernate.type.SqlTypes;
import tools.jackson.databind.json.JsonMapper;
import wendo.app.platform.business.BusinessEntity;
import wendo.app.platform.tables.Brought;

/** A file of outcomes as it is kept; its rows stand beside it. */
@Entity
@Table(name = "import_file")
class StoredImport extends BusinessEntity {
    private static final JsonMapper JSON = JsonMapper.shared();

    private String name;
    private String[] headings = {};
    private String written;

    @JdbcTypeCode(SqlTypes.JSON)
    private String matching;

    private String state = "matching";
    private String problem = "";
    private int total;
    private Instant createdAt;
    private String createdBy;

    @SuppressWarnings("NullAway.Init")
    protected StoredImport() {}

    StoredImport(Brought brought, ImportMatching matching, Stamp stamp) {
        super(UUID.randomUUID());
        this.name = brought.name();
        this.headings = brought.table().columns().toArray(String[]::new);
        this.written = brought.written();
        this.matching = JSON.writeValueAsString(matching);
        this.total = brought.table().rows().size();
        this.createdAt = stamp.at();
        this.createdBy = stamp.by();
    }

    /** When it was brought, and by whom. */
    record Stamp(Instant at, String by) {}

    void match(ImportMatching newMatching) {
        this.matching = JSON.writeValueAsString(newMatching);
        this.state = "checked";
    }

    boolean isIn(List<String> states) {
        return states.contains(state);
    }

    void move(String to, String newProblem) {
        this.state = to;
        this.problem = newProblem;
    }

    ImportFiles.File file() {
        return new ImportFiles.File(
                id(),
                name,
                List.of(headings),
                written,
                JSON.readValue(matching, ImportMatching.class),
                state,
                problem,
                total,
                createdAt,
                createdBy);
    }
}
