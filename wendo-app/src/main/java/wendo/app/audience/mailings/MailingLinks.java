package wendo.app.audience.mailings;

import java.util.List;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** The links that a mailing can carry: the newest first, and the one it has already. */
@Component
class MailingLinks {
    private static final int MOST = 200;

    private final JdbcClient jdbc;

    MailingLinks(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    record Choice(UUID id, String name) {}

    @Transactional(readOnly = true)
    List<Choice> choices(UUID chosen) {
        return jdbc.sql("""
                        select id, name from link where archived_at is null or id = :chosen
                        order by id = :chosen desc, created_at desc, id limit :most
                        """)
                .param("chosen", chosen)
                .param("most", MOST)
                .query((row, number) -> new Choice(row.getObject(1, UUID.class), row.getString(2)))
                .list();
    }
}
