package wendo.app.subscribing;

import java.util.List;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import wendo.app.business.BusinessScope;
import wendo.core.media.Placeholder;

/** The systems that a business sends its newsletters with; each is told of once. */
@Service
class Senders {
    static final int MAX_NAME = 80;

    private final JdbcClient jdbc;

    Senders(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    record Sender(UUID id, String name, Placeholder placeholder) {}

    @Transactional(readOnly = true)
    List<Sender> list() {
        return jdbc.sql("select id, name, placeholder from sender order by lower(name)")
                .query((row, number) ->
                        new Sender(row.getObject(1, UUID.class), row.getString(2), new Placeholder(row.getString(3))))
                .list();
    }

    @Transactional
    void keep(String name, Placeholder placeholder) {
        jdbc.sql("""
                        insert into sender values (?, ?, ?, ?)
                        on conflict (business_id, name) do update set placeholder = excluded.placeholder
                        """)
                .params(UUID.randomUUID(), BusinessScope.current().value(), name, placeholder.text())
                .update();
    }

    @Transactional
    void remove(UUID id) {
        jdbc.sql("delete from sender where id = ?").param(id).update();
    }
}
