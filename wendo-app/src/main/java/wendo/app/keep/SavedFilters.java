package wendo.app.keep;

import java.util.List;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import wendo.app.business.BusinessScope;

/** Filters that were given a name, for everybody in the business. */
@Service
class SavedFilters {
    static final int MAX_NAME = 60;

    private final JdbcClient jdbc;

    SavedFilters(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    record Saved(UUID id, String name, String query) {}

    @Transactional(readOnly = true)
    List<Saved> list() {
        return jdbc.sql("select id, name, query from link_filter order by lower(name), id")
                .query((row, number) -> new Saved(row.getObject(1, UUID.class), row.getString(2), row.getString(3)))
                .list();
    }

    /** A name that is there already means the new filter from now on. */
    @Transactional
    void save(String name, LinkFilter filter, String by) {
        jdbc.sql("""
                        insert into link_filter values (?, ?, ?, ?, ?)
                        on conflict (business_id, name) do update set query = excluded.query, created_by = excluded.created_by
                        """)
                .params(UUID.randomUUID(), BusinessScope.current().value(), name, filter.query(), by)
                .update();
    }

    @Transactional
    void remove(UUID id) {
        jdbc.sql("delete from link_filter where id = ?").param(id).update();
    }
}
