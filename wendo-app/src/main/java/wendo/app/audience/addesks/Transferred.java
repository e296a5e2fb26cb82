package wendo.app.audience.addesks;

import java.util.List;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import wendo.app.platform.business.BusinessScope;

/** What is on the lists of ad desks; they hold a hundred thousand people and more, and change by the thousand. */
@Component
class Transferred {
    private final JdbcClient jdbc;

    Transferred(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    @Transactional(readOnly = true)
    List<String> of(UUID transfer) {
        return jdbc.sql("select hash from transferred where transfer_id = ? order by hash")
                .param(transfer)
                .query(String.class)
                .list();
    }

    @Transactional(readOnly = true)
    List<UUID> unfinished() {
        return jdbc.sql("""
                        select t.id from transfer t
                        where t.ended_at is null or exists (select from transferred d where d.transfer_id = t.id)
                        order by t.made_at, t.id
                        """).query(UUID.class).list();
    }

    @Transactional(readOnly = true)
    boolean isAnybodyAt(UUID desk) {
        return jdbc.sql("""
                        select exists (select from transferred d join transfer t on t.id = d.transfer_id where t.desk_id = ?)
                        """).param(desk).query(Boolean.class).single();
    }

    @Transactional
    void add(UUID transfer, List<String> hashes) {
        jdbc.sql("""
                        insert into transferred (transfer_id, business_id, hash)
                        select ?, ?, hash from unnest(cast(? as text[])) as one (hash) on conflict do nothing
                        """)
                .params(transfer, BusinessScope.current().value(), hashes.toArray(String[]::new))
                .update();
    }

    @Transactional
    void remove(UUID transfer, List<String> hashes) {
        jdbc.sql("delete from transferred where transfer_id = ? and hash = any(cast(? as text[]))")
                .params(transfer, hashes.toArray(String[]::new))
                .update();
    }
}
