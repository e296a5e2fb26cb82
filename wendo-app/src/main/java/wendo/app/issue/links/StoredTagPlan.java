package wendo.app.issue.links;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.Arrays;
import java.util.UUID;
import org.hibernate.annotations.JdbcTypeCode;
import org.hibernate.type.SqlTypes;
import tools.jackson.databind.json.JsonMapper;
import wendo.app.platform.business.BusinessEntity;
import wendo.core.links.Spelling;
import wendo.core.links.TagField;
import wendo.core.links.TagPlan;

/** A tag plan as it is kept. */
@Entity
@Table(name = "tag_plan")
@SuppressWarnings("UnusedVariable") // written for the database, not read in Java
class StoredTagPlan extends BusinessEntity {
    private static final JsonMapper JSON = JsonMapper.shared();

    private String name;
    private boolean isDefault;

    @Enumerated(EnumType.STRING)
    private Spelling spelling;

    @JdbcTypeCode(SqlTypes.JSON)
    private String fields;

    private Instant createdAt;

    @SuppressWarnings("NullAway.Init")
    protected StoredTagPlan() {}

    @SuppressWarnings("NullAway.Init")
    StoredTagPlan(UUID id, Instant now) {
        super(id);
        this.createdAt = now;
    }

    void become(String newName, TagPlan plan) {
        this.name = newName;
        this.spelling = plan.spelling();
        this.fields = JSON.writeValueAsString(plan.fields());
    }

    void beDefault(boolean now) {
        this.isDefault = now;
    }

    boolean isDefault() {
        return isDefault;
    }

    NamedPlan plan() {
        TagField[] read = JSON.readValue(fields, TagField[].class);
        return new NamedPlan(id(), name, isDefault, new TagPlan(spelling, Arrays.asList(read)));
    }
}
