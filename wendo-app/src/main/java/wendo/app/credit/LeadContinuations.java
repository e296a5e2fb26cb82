package wendo.app.credit;

import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import wendo.app.platform.business.BusinessScope;
import wendo.core.credit.Continued;

/** Finds and keeps which lead a booking or purchase continues. Runs in the transaction of its caller. */
@Component
class LeadContinuations {
    private static final String LEADS = """
            with due as materialized (
                select o.id, o.reference_key as reference, o.occurred_at, i.person
                from unnest(:outcomes) asked (id)
                cross join lateral (select * from outcome where id = asked.id and kind <> 'lead' offset 0) o
                left join lateral (select identity_id from trail where outcome_id = o.id offset 0) t on true
                left join lateral (select person from identity where id = t.identity_id offset 0) i on true)
            select d.id, d.reference, d.occurred_at, l.id, l.reference_key, l.occurred_at
            from due d
            cross join lateral (select id from identity where person = d.person offset 0) i
            cross join lateral (select outcome_id from trail where identity_id = i.id offset 0) t
            cross join lateral (
                select * from outcome where id = t.outcome_id and kind = 'lead' and not is_proof offset 0) l
            where l.occurred_at <= d.occurred_at
            union
            select d.id, d.reference, d.occurred_at, l.id, l.reference_key, l.occurred_at
            from due d
            cross join lateral (
                select * from outcome where kind = 'lead' and reference_key = d.reference and not is_proof offset 0) l
            where l.occurred_at <= d.occurred_at
            """;

    private final JdbcClient jdbc;

    LeadContinuations(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    private record Later(UUID id, String reference, Instant at) {}

    /** Finds the lead of each of these again. */
    void find(List<UUID> outcomes) {
        Map<Later, List<Continued>> leads = new HashMap<>();
        jdbc.sql(LEADS).param("outcomes", outcomes.toArray(UUID[]::new)).query(row -> {
            leads.computeIfAbsent(
                            new Later(
                                    row.getObject(1, UUID.class),
                                    row.getString(2),
                                    row.getTimestamp(3).toInstant()),
                            later -> new ArrayList<>())
                    .add(new Continued(
                            row.getObject(4, UUID.class),
                            row.getString(5),
                            row.getTimestamp(6).toInstant()));
        });
        Map<UUID, UUID> named = named(outcomes);
        List<UUID> later = new ArrayList<>(named.keySet());
        List<UUID> followed = new ArrayList<>(named.values());
        leads.forEach((outcome, candidates) -> {
            Optional<Continued> lead = Continued.of(outcome.reference(), outcome.at(), candidates);
            lead.filter(one -> !named.containsKey(outcome.id())).ifPresent(one -> {
                later.add(outcome.id());
                followed.add(one.lead());
            });
        });
        keep(outcomes, later, followed);
    }

    /** The leads that people said became these outcomes; their word counts. */
    private Map<UUID, UUID> named(List<UUID> outcomes) {
        Map<UUID, UUID> named = new HashMap<>();
        jdbc.sql("select became_id, outcome_id from lead where is_won_by_hand and became_id = any(?)")
                .param(outcomes.toArray(UUID[]::new))
                .query(row -> {
                    named.put(row.getObject(1, UUID.class), row.getObject(2, UUID.class));
                });
        return named;
    }

    private void keep(List<UUID> outcomes, List<UUID> later, List<UUID> followed) {
        jdbc.sql("""
                        update trail set follows_id = null
                        where outcome_id = any(?) and follows_id is not null and outcome_id <> all(?)
                        """)
                .params(outcomes.toArray(UUID[]::new), later.toArray(UUID[]::new))
                .update();
        jdbc.sql("""
                        insert into trail select u.outcome, ?, null, u.lead from unnest(?::uuid[], ?::uuid[]) as u (outcome, lead)
                        on conflict (outcome_id) do update set follows_id = excluded.follows_id
                            where trail.follows_id is distinct from excluded.follows_id
                        """)
                .params(BusinessScope.current().value(), later.toArray(UUID[]::new), followed.toArray(UUID[]::new))
                .update();
    }
}
