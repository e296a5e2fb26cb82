package wendo.app.credit;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.util.List;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import wendo.app.platform.site.Texts;

/** What came with an outcome that tells whose it is. */
@Component
class IdentityQueries {
    private final JdbcClient jdbc;

    IdentityQueries(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /** What stands for somebody, and how it is known with an outcome. */
    record Known(String kind, String key, String how) {}

    /** The strongest first: it is what the outcome is known by. */
    List<Known> of(UUID outcome) {
        return jdbc.sql("""
                        with o as (select * from outcome where id = :outcome),
                        came as (
                            select v.visitor, v.recipient_id from o
                            cross join lateral (
                                select visitor, recipient_id from visit
                                where click_id = o.click_id and arrived_at = click_time(o.click_id)
                                    and kind not in ('preview', 'proof') offset 0) v)
                        select 'visitor', visitor::text, '', '', '' from came
                        union all
                        select 'browser', visitor::text, 'browser', kind, reference from o where visitor is not null
                        union all
                        select 'email', email, 'email', kind, reference from o where email <> ''
                        union all
                        select 'phone', phone, 'phone', kind, reference from o where phone <> ''
                        union all
                        select distinct 'visitor', v.visitor::text, 'landing', '', ''
                        from o join landing g on g.visitor = o.visitor and g.landed_at <= o.occurred_at
                            and g.landed_at > o.occurred_at - interval '180 days'
                        cross join lateral (
                            select visitor from visit where click_id = g.click_id and arrived_at = click_time(g.click_id)
                                and kind not in ('preview', 'proof') offset 0) v
                        union all
                        select distinct case when r.email <> '' then 'email' else 'phone' end,
                            case when r.email <> '' then r.email else r.phone end, 'opened', '', ''
                        from came join recipient r on r.id = came.recipient_id where r.email <> '' or r.phone <> ''
                        """)
                .param("outcome", outcome)
                .query((row, number) -> new Known(row.getString(1), row.getString(2), how(row)))
                .list();
    }

    private static String how(ResultSet row) throws SQLException {
        String how = row.getString(3);
        return how.isEmpty() ? "" : Texts.kept("credit.known-by", how, row.getString(4), row.getString(5));
    }
}
