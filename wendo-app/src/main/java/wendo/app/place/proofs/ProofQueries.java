package wendo.app.place.proofs;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import wendo.core.links.Channel;

/** The SQL of a proof's checklist. */
@Component
class ProofQueries {
    private final JdbcClient jdbc;

    ProofQueries(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /**
     * What happened to one link in one proof.
     *
     * @param leadsTo where it leads now, with its tags
     * @param status the page's last answer to our own look; absent if it was never looked at
     * @param ledTo the destination of its last visit
     * @param landed the address that the site tag saw loaded; empty text if it was told of none
     * @param subscribes whether arriving with an address subscribes; {@code subscribed} is the address that did
     * @param outcome kind and reference of a test outcome; empty text if none came
     */
    record Happened(
            UUID link,
            String name,
            String url,
            Channel channel,
            String leadsTo,
            String tags,
            Optional<Integer> status,
            String problem,
            long visits,
            Optional<Instant> visitedAt,
            Optional<UUID> ledTo,
            UUID destination,
            String landed,
            String outcome,
            boolean subscribes,
            String subscribed) {}

    /** In the order in which the links were given. */
    @Transactional(readOnly = true)
    List<Happened> happened(UUID proof) {
        return jdbc.sql("""
                        select l.id, l.name, h.origin || '/' || l.slug as url, s.channel, l.tagged_address, l.tags,
                            d.answer_status, d.problem, l.destination_id, coalesce(v.visits, 0) as visits, v.arrived_at,
                            v.destination_id as led_to, coalesce(v.landed, '') as landed,
                            coalesce(o.outcome, '') as outcome,
                            exists (select from opt_in p where p.link_id = l.id and p.is_open) as subscribes,
                            coalesce((select min(u.email) from subscriber u
                                where u.proof_id = pl.proof_id and u.link_id = l.id), '') as subscribed
                        from proof_link pl
                        join link l on l.id = pl.link_id
                        join link_host h on h.id = l.host_id
                        join source s on s.id = l.source_id
                        join destination d on d.id = l.destination_id
                        left join lateral (
                            select count(*) over () as visits, v.arrived_at, v.destination_id, la.address as landed
                            from visit v left join landing la on la.click_id = v.click_id
                            where v.proof_id = pl.proof_id and v.link_id = l.id
                            order by la.address is null, v.arrived_at desc limit 1) v on true
                        left join lateral (
                            select o.kind || ' ' || o.reference as outcome
                            from visit v join outcome o on o.click_id = v.click_id
                            where v.proof_id = pl.proof_id and v.link_id = l.id and o.is_proof
                            order by o.recorded_at desc limit 1) o on true
                        where pl.proof_id = ?
                        order by pl.place
                        """)
                .param(proof)
                .query((row, number) -> new Happened(
                        row.getObject("id", UUID.class),
                        row.getString("name"),
                        row.getString("url"),
                        Channel.valueOf(row.getString("channel")),
                        row.getString("tagged_address"),
                        row.getString("tags"),
                        Optional.ofNullable((Integer) row.getObject("answer_status")),
                        row.getString("problem"),
                        row.getLong("visits"),
                        Optional.ofNullable(row.getTimestamp("arrived_at")).map(java.sql.Timestamp::toInstant),
                        Optional.ofNullable(row.getObject("led_to", UUID.class)),
                        row.getObject("destination_id", UUID.class),
                        row.getString("landed"),
                        row.getString("outcome"),
                        row.getBoolean("subscribes"),
                        row.getString("subscribed")))
                .list();
    }
}
