package wendo.app.money.partners;

import java.time.LocalDate;
import java.util.Collection;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import wendo.app.platform.business.BusinessScope;

/**
 * Whose outcomes are, and which of them somebody should look at: worked out in sets, for a season's outcomes can be
 * credited at once. Runs in the transaction of its caller.
 */
@Component
class PartnerOutcomes {
    /** Evidence that earns, strongest first. What a customer answers and where a visit was referred from do not. */
    private static final String EARNING = "array['set', 'claim', 'click', 'code', 'partner', 'visitor', 'contact']";

    /** From so many outcomes on that one browser brings a partner in a day, somebody should look. Ours. */
    private static final int MANY_A_DAY = 3;

    private final JdbcClient jdbc;

    PartnerOutcomes(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /** Until the transaction is over nobody else looks whose outcomes of this business are. */
    void lock() {
        jdbc.sql("select pg_advisory_xact_lock(hashtextextended('commission ' || cast(? as text), 0))")
                .param(BusinessScope.current().value())
                .query(row -> {});
    }

    /** A partner and a month of it, by its first day. */
    record PartnerMonth(UUID partner, LocalDate month) {}

    Set<PartnerMonth> monthsOf(List<UUID> outcomes) {
        return Set.copyOf(jdbc.sql("select distinct partner_id, month from partner_outcome where outcome_id = any(?)")
                .param(outcomes.toArray(UUID[]::new))
                .query((row, number) ->
                        new PartnerMonth(row.getObject(1, UUID.class), row.getObject(2, LocalDate.class)))
                .list());
    }

    /** Of all partners that the evidence of an outcome points to, the one with the strongest and with terms for it earns. */
    void findWhose(List<UUID> outcomes) {
        jdbc.sql("""
                        with pointed as (
                            select o.id, u.source_id as partner, u.evidence, array_position(%s, u.evidence::text) as strength,
                                (o.occurred_at at time zone b.zone)::date as day
                            from outcome o join business b on b.id = o.business_id
                            join outcome_clue u on u.outcome_id = o.id and u.source_id is not null
                            where o.id = any(:outcomes) and not o.is_proof),
                        by_terms as (
                            select distinct on (p.id, p.partner) p.*, coalesce(t.way, '') as way
                            from pointed p join partner q on q.id = p.partner
                            left join lateral (
                                select w.way from (values ('link', 2), ('code', 1)) w (way, turn)
                                where case when p.evidence in ('click', 'visitor', 'contact') then w.way = 'link'
                                        when p.evidence = 'code' then w.way = 'code' else true end
                                    and exists (
                                        select from (select a.last_day from partner_terms a
                                            where a.partner_id = p.partner and a.way = w.way and a.first_day <= p.day
                                            order by a.first_day desc limit 1) held
                                        where held.last_day is null or held.last_day >= p.day)
                                order by w.turn limit 1) t on true
                            where p.strength is not null
                            order by p.id, p.partner, (t.way is null), p.strength),
                        refused as (
                            select outcome_id, partner_id from commission_review where state = 'refused'
                                and outcome_id = any(:outcomes)),
                        wanted as (
                            select b.id, b.partner, b.evidence, b.way,
                                b.way <> '' and r.outcome_id is null and row_number() over (
                                    partition by b.id order by (b.way = ''), (r.outcome_id is not null), b.strength, b.partner) = 1 as earns,
                                date_trunc('month', b.day)::date as month
                            from by_terms b left join refused r on r.outcome_id = b.id and r.partner_id = b.partner),
                        gone as (
                            delete from partner_outcome p where p.outcome_id = any(:outcomes) and not exists (
                                select from wanted w where w.id = p.outcome_id and w.partner = p.partner_id))
                        insert into partner_outcome as p (outcome_id, business_id, partner_id, evidence, way, earns, month)
                        select id, :business, partner, evidence, way, earns, month from wanted
                        on conflict (outcome_id, partner_id) do update
                            set evidence = excluded.evidence, way = excluded.way, earns = excluded.earns, month = excluded.month
                            where (p.evidence, p.way, p.earns, p.month)
                                is distinct from (excluded.evidence, excluded.way, excluded.earns, excluded.month)
                        """.formatted(EARNING))
                .param("outcomes", outcomes.toArray(UUID[]::new))
                .param("business", BusinessScope.current().value())
                .update();
    }

    /**
     * Where somebody should look: the partner's own order, by its contact or from a browser that has used it; a code that
     * came from somewhere else; many in a day from one browser. Network addresses are not kept, so a browser stands for one.
     */
    void review(List<UUID> outcomes) {
        jdbc.sql("""
                        insert into commission_review (id, business_id, partner_id, outcome_id, reason, state, said, found_at,
                            decided_by)
                        select gen_random_uuid(), :business, f.partner_id, f.outcome_id, f.reason, 'open', f.said, now(), ''
                        from (
                            select w.partner_id, w.outcome_id, 'self' as reason, '' as said
                            from partner_outcome w join partner p on p.id = w.partner_id join outcome o on o.id = w.outcome_id
                            where w.outcome_id = any(:outcomes) and w.earns
                                and (p.email <> '' and o.email = p.email or p.phone <> '' and o.phone = p.phone)
                            union all
                            select w.partner_id, w.outcome_id, 'leaked', left(c.said, 300)
                            from partner_outcome w
                            join outcome_clue c on c.outcome_id = w.outcome_id and c.evidence = 'referrer' and c.said like '%.%'
                            where w.outcome_id = any(:outcomes) and w.earns and w.evidence = 'code'
                                and not exists (select from outcome_clue v where v.outcome_id = w.outcome_id
                                    and v.source_id = w.partner_id and v.evidence in ('click', 'visitor'))
                            union all
                            select w.partner_id, w.outcome_id, 'device', ''
                            from partner_outcome w join partner p on p.id = w.partner_id join outcome o on o.id = w.outcome_id
                            join outcome e on e.visitor = o.visitor and e.id <> o.id
                                and (p.email <> '' and e.email = p.email or p.phone <> '' and e.phone = p.phone)
                            where w.outcome_id = any(:outcomes) and w.earns and o.visitor is not null
                            union all
                            select partner_id, outcome_id, 'many', cast(number as text) from (
                                select *, count(*) over (partition by partner_id, day, visitor) as number from (
                                    select w.partner_id, w.outcome_id, (o.occurred_at at time zone b.zone)::date as day,
                                        coalesce(o.visitor, v.visitor) as visitor
                                    from (select distinct partner_id, month from partner_outcome
                                        where outcome_id = any(:outcomes) and earns) t
                                    join partner_outcome w on w.partner_id = t.partner_id and w.month = t.month and w.earns
                                    join outcome o on o.id = w.outcome_id and (o.visitor is not null or o.click_id is not null)
                                    join business b on b.id = o.business_id
                                    left join visit v on v.click_id = o.click_id and v.arrived_at = click_time(o.click_id)) seen
                                where visitor is not null) days
                            where number >= :many) f
                        on conflict do nothing
                        """)
                .param("many", MANY_A_DAY)
                .param("outcomes", outcomes.toArray(UUID[]::new))
                .param("business", BusinessScope.current().value())
                .update();
    }

    /** All outcomes that any evidence joins to these partners, or did. */
    List<UUID> outcomesOf(Collection<UUID> partners) {
        return jdbc.sql("""
                        select outcome_id from outcome_clue where source_id = any(:partners)
                        union
                        select outcome_id from partner_outcome where partner_id = any(:partners)
                        """)
                .param("partners", partners.toArray(UUID[]::new))
                .query(UUID.class)
                .list();
    }

    void forget(UUID outcome) {
        jdbc.sql("delete from partner_outcome where outcome_id = ?")
                .param(outcome)
                .update();
        jdbc.sql("delete from commission_review where outcome_id = ?")
                .param(outcome)
                .update();
    }
}
