package wendo.app.outcome.imports;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import java.time.Instant;
import org.hibernate.annotations.JdbcTypeCode;
import org.hibernate.type.SqlTypes;
import tools.jackson.databind.json.JsonMapper;
import wendo.app.platform.business.BusinessRow;

/** How files with these headings were read last. */
@Entity
@SuppressWarnings("UnusedVariable") // written for the database, not read in Java
class ImportLayout extends BusinessRow {
    private static final JsonMapper JSON = JsonMapper.shared();

    @Id
    private String headingsKey;

    @JdbcTypeCode(SqlTypes.JSON)
    private String matching;

    private Instant usedAt;

    @SuppressWarnings("NullAway.Init")
    protected ImportLayout() {}

    @SuppressWarnings("NullAway.Init")
    ImportLayout(String headingsKey) {
        this.headingsKey = headingsKey;
    }

    void use(ImportMatching used, Instant now) {
        this.matching = JSON.writeValueAsString(used);
        this.usedAt = now;
    }

    ImportMatching matching() {
        return JSON.readValue(matching, ImportMatching.class);
    }
}
