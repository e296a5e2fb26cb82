package wendo.app.links;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Timestamp;
import java.time.Clock;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.databind.json.JsonMapper;
import wendo.app.business.BusinessScope;
import wendo.core.links.Spelling;
import wendo.core.links.TagField;
import wendo.core.links.TagPlan;

/** The tag plans of the current business; one of them is the default. */
@Service
class TagPlans {
    static final int MAX_NAME = 80;

    private static final String PLANS = "select id, name, is_default, spelling, fields from tag_plan ";

    private final JdbcClient jdbc;
    private final JsonMapper json;
    private final Clock clock;

    TagPlans(JdbcClient jdbc, JsonMapper json, Clock clock) {
        this.jdbc = jdbc;
        this.json = json;
        this.clock = clock;
    }

    /** The default first. */
    @Transactional(readOnly = true)
    List<NamedPlan> list() {
        return jdbc.sql(PLANS + "order by is_default desc, name")
                .query(this::read)
                .list();
    }

    @Transactional(readOnly = true)
    Optional<NamedPlan> find(UUID id) {
        return jdbc.sql(PLANS + "where id = ?").param(id).query(this::read).optional();
    }

    @Transactional(readOnly = true)
    NamedPlan byDefault() {
        return jdbc.sql(PLANS + "where is_default").query(this::read).single();
    }

    /** Adds a plan, or changes the one of this identifier. False if another has that name. */
    @Transactional
    boolean save(UUID id, String name, TagPlan plan) {
        if (jdbc.sql("select 1 from tag_plan where name = ? and id <> ?")
                .params(name, id)
                .query(Integer.class)
                .optional()
                .isPresent()) {
            return false;
        }
        jdbc.sql("""
                        insert into tag_plan values (?, ?, ?, false, ?, cast(? as jsonb), ?)
                        on conflict (id) do update
                            set name = excluded.name, spelling = excluded.spelling, fields = excluded.fields
                        """)
                .params(id, BusinessScope.current().value(), name)
                .params(plan.spelling().name(), json.writeValueAsString(plan.fields()), Timestamp.from(clock.instant()))
                .update();
        return true;
    }

    @Transactional
    void makeDefault(UUID id) {
        jdbc.sql("update tag_plan set is_default = false where is_default").update();
        jdbc.sql("update tag_plan set is_default = true where id = ?").param(id).update();
    }

    /** Removes a plan; links keep the tags they were issued with. The default one stays. */
    @Transactional
    boolean remove(UUID id) {
        return jdbc.sql("delete from tag_plan where id = ? and not is_default")
                        .param(id)
                        .update()
                == 1;
    }

    private NamedPlan read(ResultSet row, int number) throws SQLException {
        TagField[] fields = json.readValue(row.getString("fields"), TagField[].class);
        return new NamedPlan(
                row.getObject("id", UUID.class),
                row.getString("name"),
                row.getBoolean("is_default"),
                new TagPlan(Spelling.valueOf(row.getString("spelling")), Arrays.asList(fields)));
    }
}
