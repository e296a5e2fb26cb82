package wendo.app.issue.links;

import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import wendo.app.platform.accounts.CurrentPerson;
import wendo.app.platform.accounts.OwnLinks;

/** Whose link is whose. */
@Component
class LinkOwners implements OwnLinks {
    private final JdbcClient jdbc;

    LinkOwners(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    @Override
    @Transactional(readOnly = true)
    public boolean isOwn(UUID link, CurrentPerson person) {
        return jdbc.sql("""
                        select exists (select from link
                            where id = ? and (owner_id = ? or (owner_id is null and created_by = ?)))
                        """)
                .params(link, person.id(), person.name())
                .query(Boolean.class)
                .single();
    }
}
