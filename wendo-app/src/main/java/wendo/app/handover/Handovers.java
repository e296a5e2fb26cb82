package wendo.app.handover;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import wendo.app.business.BusinessScope;
import wendo.app.business.Businesses;
import wendo.core.handover.SendingHours;

/** The handovers of a business, and the hours in which messages may go out. */
@Service
class Handovers {
    private static final String COLUMNS =
            "select owner_is, person_id, round_id, partner, labels, note, alerts, plan_id from handover ";

    private final JdbcClient jdbc;
    private final Businesses businesses;

    Handovers(JdbcClient jdbc, Businesses businesses) {
        this.jdbc = jdbc;
        this.businesses = businesses;
    }

    /** One of the list: {@code name} is the campaign's, source's or link's. */
    record Listed(Reach reach, UUID id, String name, String ownerIs, String owner, String plan, String partner) {}

    @Transactional(readOnly = true)
    List<Listed> list() {
        return jdbc.sql("""
                        select h.reach, h.reach_id, coalesce(c.name, s.name, l.name, ''), h.owner_is,
                            coalesce(p.name, r.name, ''), coalesce(f.name, ''), h.partner
                        from handover h
                        left join campaign c on h.reach = 'campaign' and c.id = h.reach_id
                        left join source s on h.reach = 'source' and s.id = h.reach_id
                        left join link l on h.reach = 'link' and l.id = h.reach_id
                        left join person p on p.id = h.person_id
                        left join round r on r.id = h.round_id
                        left join follow_up_plan f on f.id = h.plan_id
                        order by h.reach = 'business' desc, h.reach, 3
                        """)
                .query((row, number) -> new Listed(
                        Reach.find(row.getString(1)).orElseThrow(),
                        row.getObject(2, UUID.class),
                        row.getString(3),
                        row.getString(4),
                        row.getString(5),
                        row.getString(6),
                        row.getString(7)))
                .list();
    }

    @Transactional(readOnly = true)
    Optional<Handover> find(Reach reach, UUID id) {
        return jdbc.sql(COLUMNS + "where reach = ? and reach_id = ?")
                .params(reach.key(), id)
                .query(Handovers::read)
                .optional();
    }

    /** The narrowest that there is: the link's, its source's, its campaign's, the business's, or the usual one. */
    @Transactional(readOnly = true)
    Handover of(Optional<UUID> link, Optional<UUID> source, Optional<UUID> campaign) {
        return jdbc.sql(COLUMNS + """
                        where (reach = 'link' and reach_id = cast(:link as uuid))
                            or (reach = 'source' and reach_id = cast(:source as uuid))
                            or (reach = 'campaign' and reach_id = cast(:campaign as uuid)) or reach = 'business'
                        order by array_position(array['link', 'source', 'campaign', 'business'], reach::text) limit 1
                        """)
                .param("link", link.map(UUID::toString).orElse(null))
                .param("source", source.map(UUID::toString).orElse(null))
                .param("campaign", campaign.map(UUID::toString).orElse(null))
                .query(Handovers::read)
                .optional()
                .orElse(Handover.usual());
    }

    @Transactional
    void keep(Reach reach, UUID id, Handover handover) {
        jdbc.sql("""
                        insert into handover values (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?)
                        on conflict (business_id, reach, reach_id) do update set owner_is = excluded.owner_is,
                            person_id = excluded.person_id, round_id = excluded.round_id, partner = excluded.partner,
                            labels = excluded.labels, note = excluded.note, alerts = excluded.alerts,
                            plan_id = excluded.plan_id
                        """)
                .params(BusinessScope.current().value(), reach.key(), id, handover.ownerIs())
                .param(handover.person().orElse(null))
                .param(handover.round().orElse(null))
                .param(handover.partner())
                .param(handover.labels().toArray(String[]::new))
                .params(handover.note(), handover.alerts())
                .param(handover.plan().orElse(null))
                .update();
    }

    @Transactional
    void remove(Reach reach, UUID id) {
        jdbc.sql("delete from handover where reach = ? and reach_id = ?")
                .params(reach.key(), id)
                .update();
    }

    /** The name of what a handover is for; empty if the business has no such thing. */
    @Transactional(readOnly = true)
    Optional<String> nameOf(Reach reach, UUID id) {
        if (reach == Reach.BUSINESS) {
            return id.equals(BusinessScope.current().value()) ? Optional.of("All leads") : Optional.empty();
        }
        return jdbc.sql("select name from " + reach.key() + " where id = ?")
                .param(id)
                .query(String.class)
                .optional();
    }

    @Transactional(readOnly = true)
    SendingHours hours() {
        return jdbc.sql("select cut_off, quiet_from, quiet_until from business where id = ?")
                .param(BusinessScope.current().value())
                .query((row, number) -> new SendingHours(
                        row.getTime(1).toLocalTime(),
                        row.getTime(2).toLocalTime(),
                        row.getTime(3).toLocalTime(),
                        businesses.current().zone()))
                .single();
    }

    @Transactional
    void keepHours(SendingHours hours) {
        jdbc.sql("update business set cut_off = ?, quiet_from = ?, quiet_until = ? where id = ?")
                .params(hours.cutOff(), hours.quietFrom(), hours.quietUntil())
                .param(BusinessScope.current().value())
                .update();
    }

    private static Handover read(ResultSet row, int number) throws SQLException {
        return new Handover(
                row.getString(1),
                Optional.ofNullable(row.getObject(2, UUID.class)),
                Optional.ofNullable(row.getObject(3, UUID.class)),
                row.getString(4),
                Arrays.asList((String[]) row.getArray(5).getArray()),
                row.getString(6),
                row.getBoolean(7),
                Optional.ofNullable(row.getObject(8, UUID.class)));
    }
}
