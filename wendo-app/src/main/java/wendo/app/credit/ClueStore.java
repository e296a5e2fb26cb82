package wendo.app.credit;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import wendo.app.platform.business.BusinessScope;
import wendo.app.platform.site.Texts;
import wendo.core.links.Channel;
import wendo.core.outcomes.Clue;
import wendo.core.outcomes.Evidence;

/** Finds what came with an outcome and what it points to, and keeps it. Runs in the transaction of its caller. */
@Component
class ClueStore {
    /** How long after somebody's lead what they book is still known by their contact details. */
    private static final int DAYS_OF_CONTACT = 180;

    private final JdbcClient jdbc;

    ClueStore(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /** Finds and keeps all but the click identifier, whose source depends on the touches before the outcome. */
    void find(UUID outcome) {
        List<Clue> clues = of(outcome);
        jdbc.sql("delete from outcome_clue where outcome_id = ? and evidence <> 'click'")
                .param(outcome)
                .update();
        insert(outcome, clues);
    }

    private List<Clue> of(UUID outcome) {
        return jdbc.sql("""
                        with o as (select * from outcome where id = :outcome)
                        select 'set', o.set_by, o.set_source_id from o where o.set_source_id is not null
                        union all
                        select 'claim', s.name, s.id from o join source s on s.id = o.claim_source_id
                        union all
                        select 'code', o.code, (select source_id from source_clue c where c.kind = 'code' and c.key = o.code_key)
                        from o where o.code_key <> ''
                        union all
                        select 'partner', s.name, s.id from o join source s on s.id = o.partner_source_id
                        union all
                        select * from (
                            select 'contact', r.contact, l.source_id
                            from o
                            cross join lateral (
                                select o.email as contact, link_id, list_id from recipient
                                where email = o.email and email <> '' and not held_out
                                union all
                                select o.phone, link_id, list_id from recipient
                                where phone = o.phone and phone <> '' and not held_out) r
                            join link l on l.id = r.link_id
                            join recipient_list m on m.id = r.list_id and m.made_at <= o.occurred_at
                            order by m.made_at desc limit 1) sent
                        union all
                        select * from (
                            select 'contact', e.contact, c.source_id
                            from o
                            cross join lateral (
                                select o.email as contact, id, occurred_at from outcome
                                where email = o.email and email <> '' and occurred_at < o.occurred_at
                                    and occurred_at > o.occurred_at - make_interval(days => :days)
                                union all
                                select o.phone, id, occurred_at from outcome
                                where phone = o.phone and phone <> '' and occurred_at < o.occurred_at
                                    and occurred_at > o.occurred_at - make_interval(days => :days)) e
                            join outcome_source c on c.outcome_id = e.id
                            order by e.occurred_at desc limit 1) earlier
                        union all
                        select 'answer', o.answer, (
                            select source_id from source_clue c where c.kind = 'answer' and c.key = o.answer_key
                            union all select id from source s where s.tag = o.answer_key limit 1)
                        from o where o.answer_key <> ''
                        union all
                        select * from (
                            select 'visitor', v.said, v.source_id
                            from o
                            join landing g on g.visitor = o.visitor and g.landed_at <= o.occurred_at
                            cross join lateral (
                                select l.name as said, v.source_id, v.kind, v.arrived_at
                                from visit v join link l on l.id = v.link_id
                                where v.click_id = g.click_id and v.arrived_at = click_time(g.click_id) offset 0) v
                            where v.kind in ('person', 'repeat') and v.arrived_at > o.occurred_at - make_interval(days => :days)
                            order by g.landed_at desc limit 1) landed
                        union all
                        select * from (
                            select 'referrer', case when a.origin = 'tagged' then :tagged else left(a.referrer, 300) end,
                                a.stands_for
                            from o
                            join arrival_source a on a.visitor = o.visitor and a.arrived_at <= o.occurred_at
                                and a.arrived_at > o.occurred_at - make_interval(days => :clickDays)
                            where a.kind <> 'preview' and a.origin <> 'direct'
                            order by a.arrived_at desc limit 1) arrived
                        """)
                .param("clickDays", Channel.OTHER.lookbackDays())
                .param("tagged", Texts.kept("credit.tags-that-name-a-source"))
                .param("outcome", outcome)
                .param("days", DAYS_OF_CONTACT)
                .query((row, number) -> new Clue(
                        Evidence.of(row.getString(1)),
                        row.getString(2),
                        Optional.ofNullable(row.getObject(3, UUID.class))))
                .list();
    }

    /** Keeps all that came with an outcome, unless just this is kept already. */
    void keepIfChanged(UUID outcome, List<Clue> clues, List<String> kept) {
        Optional<Clue> strongest = Clue.strongest(clues);
        Set<String> wanted = clues.stream()
                .map(clue -> "%s\t%s\t%s\t%s"
                        .formatted(
                                clue.evidence().key(),
                                strongest.filter(clue::equals).isPresent() ? "t" : "f",
                                clue.source().map(UUID::toString).orElse(""),
                                clue.said()))
                .collect(Collectors.toSet());
        if (!wanted.equals(Set.copyOf(kept))) {
            jdbc.sql("delete from outcome_clue where outcome_id = ?")
                    .param(outcome)
                    .update();
            insert(outcome, clues);
        }
    }

    /** Of two of one kind the first is kept. */
    private void insert(UUID outcome, List<Clue> clues) {
        Optional<Clue> strongest = Clue.strongest(clues);
        for (Clue clue : clues) {
            jdbc.sql("insert into outcome_clue values (?, ?, ?, ?, ?, ?) on conflict do nothing")
                    .params(BusinessScope.current().value(), outcome)
                    .params(clue.evidence().key(), clue.said())
                    .param(clue.source().orElse(null))
                    .param(strongest.filter(clue::equals).isPresent())
                    .update();
        }
    }
}
