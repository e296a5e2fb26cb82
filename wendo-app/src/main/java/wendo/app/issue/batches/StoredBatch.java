package wendo.app.issue.batches;

import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.hibernate.annotations.JdbcTypeCode;
import org.hibernate.type.SqlTypes;
import tools.jackson.databind.json.JsonMapper;
import wendo.app.platform.business.BusinessEntity;

/** A file of links as it is kept; its rows stand beside it. */
@Entity
@Table(name = "batch")
class StoredBatch extends BusinessEntity {
    private static final JsonMapper JSON = JsonMapper.shared();

    private String name;
    private String[] columns = {};

    @JdbcTypeCode(SqlTypes.JSON)
    private String matching;

    private String state;
    private String problem = "";
    private int done;
    private int total;
    private Instant createdAt;
    private String createdBy;
    private String[] failingPages = {};
    private int unseenPages;

    @SuppressWarnings("NullAway.Init")
    protected StoredBatch() {}

    StoredBatch(String name, wendo.app.platform.tables.Table table, Matching matching, Instant now, String by) {
        super(UUID.randomUUID());
        this.name = name;
        this.columns = table.columns().toArray(String[]::new);
        this.matching = JSON.writeValueAsString(matching);
        this.state = Batch.State.MATCHING.key();
        this.total = table.rows().size();
        this.createdAt = now;
        this.createdBy = by;
    }

    void match(Matching newMatching) {
        this.matching = JSON.writeValueAsString(newMatching);
    }

    boolean isIn(List<Batch.State> states) {
        return states.stream().anyMatch(one -> one.key().equals(state));
    }

    void move(Batch.State to, String newProblem) {
        this.state = to.key();
        this.problem = newProblem;
        this.done = 0;
    }

    Batch batch() {
        return new Batch(
                id(),
                name,
                List.of(columns),
                JSON.readValue(matching, Matching.class),
                Batch.State.of(state),
                problem,
                done,
                total,
                createdAt,
                createdBy,
                new BatchLooks.Found(List.of(failingPages), unseenPages));
    }
}
