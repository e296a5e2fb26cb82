package wendo.app.issue.links;

import java.util.List;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** What was changed of links. */
@Service
public class LinkChangeLog {
    private final JdbcClient jdbc;

    LinkChangeLog(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /** Newest first. */
    @Transactional(readOnly = true)
    public List<LinkChanges.Made> latest(int most) {
        return jdbc.sql("""
                        select id, said, links, made_at, made_by, undone_at is not null
                        from link_change order by made_at desc, id limit ?
                        """).param(most).query(LinkChangeLog::made).list();
    }

    /** What was done to one link, newest first. */
    @Transactional(readOnly = true)
    public List<LinkChanges.Made> of(UUID link) {
        return jdbc.sql("""
                        select c.id, c.said, c.links, c.made_at, c.made_by, c.undone_at is not null
                        from link_change_row r join link_change c on c.id = r.change_id
                        where r.link_id = ? order by c.made_at desc, c.id
                        """).param(link).query(LinkChangeLog::made).list();
    }

    private static LinkChanges.Made made(java.sql.ResultSet row, int number) throws java.sql.SQLException {
        return new LinkChanges.Made(
                row.getObject(1, UUID.class),
                row.getString(2),
                row.getInt(3),
                row.getTimestamp(4).toInstant(),
                row.getString(5),
                row.getBoolean(6));
    }
}
