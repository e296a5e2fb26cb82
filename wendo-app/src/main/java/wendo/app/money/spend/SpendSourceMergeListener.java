package wendo.app.money.spend;

import org.springframework.context.event.EventListener;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import wendo.app.prepare.sources.SourcesMerged;

/** Spend of a merged source becomes spend of the source that is kept. */
@Component
class SpendSourceMergeListener {
    private final JdbcClient jdbc;

    SpendSourceMergeListener(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    @EventListener
    void on(SourcesMerged merged) {
        addUpFiles(merged);
        move("update spend set source_id = :kept, version = version + 1 where source_id = :merged", merged);
        move("update spend_name set source_id = :kept, version = version + 1 where source_id = :merged", merged);
    }

    /** Of a file's day there is one entry for a source, so two become one with both amounts. */
    private void addUpFiles(SourcesMerged merged) {
        move("""
                        update spend k set amount_minor = k.amount_minor + m.amount_minor, version = k.version + 1
                        from spend m
                        where k.source_id = :kept and m.source_id = :merged and m.origin <> '' and m.origin = k.origin
                            and m.first_day = k.first_day and m.removed_at is null
                        """, merged);
        move("""
                        update spend m set origin = '', removed_at = coalesce(m.removed_at, now()), version = m.version + 1
                        where m.source_id = :merged and m.origin <> '' and exists (select from spend k
                            where k.source_id = :kept and k.origin = m.origin and k.first_day = m.first_day)
                        """, merged);
    }

    private void move(String sql, SourcesMerged merged) {
        jdbc.sql(sql)
                .param("kept", merged.kept())
                .param("merged", merged.merged())
                .update();
    }
}
