package wendo.app.credit;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.sql.Timestamp;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import wendo.app.platform.business.BusinessId;
import wendo.app.platform.business.BusinessScope;
import wendo.core.credit.AttributionModel;
import wendo.core.credit.Journey;
import wendo.core.credit.Markov;
import wendo.core.credit.RemovalEffects;
import wendo.core.credit.Shapley;
import wendo.core.outcomes.OutcomeKind;
import wendo.core.visits.Touch;

/** The journeys of a business's people, and the models that learn from them. Runs in the transaction of its caller. */
@Component
class JourneyStore {
    /** Journeys go back this far. */
    static final int DAYS = 180;

    /** Of a longer journey the last steps are taken. */
    private static final int MOST_STEPS = 20;

    /**
     * For each kind of outcome. The journey of somebody who had one ends at their last of that kind, so a lead's
     * journey ends at the lead. Consecutive visits by one source are one step, and so are those without a source.
     */
    private static final String MAKE = """
            insert into journey
            with ended as materialized (
                select i.person, o.kind, max(o.occurred_at) as at
                from outcome o join trail t on t.outcome_id = o.id join identity i on i.id = t.identity_id
                where o.counts and not o.is_proof and o.occurred_at >= :since
                group by i.person, o.kind),
            came as materialized (
                select coalesce(i.person, v.visitor) as who, v.source_id, v.arrived_at as at, v.click_id as id
                from visit v left join identity i on i.kind = 'visitor' and i.key = v.visitor::text
                where v.arrived_at >= :since and v.kind = 'person'
                union all
                select coalesce(i.person, a.visitor), coalesce(a.stands_for, :direct), a.arrived_at, a.id
                from arrival_source a left join identity i on i.kind = 'browser' and i.key = a.visitor::text
                where a.arrived_at >= :since and a.kind = 'person'),
            steps as (
                select k.kind, c.who, c.source_id, c.at, c.id, e.at is not null as has_ended,
                    lag(c.source_id) over went as before,
                    row_number() over (partition by k.kind, c.who order by c.at desc, c.id) as back
                from came c cross join (values ('lead'), ('booking'), ('purchase'), ('subscription')) k (kind)
                left join ended e on e.person = c.who and e.kind = k.kind
                where (e.at is null or c.at <= e.at)
                    and (k.kind <> 'subscription' or exists (select from ended s where s.kind = k.kind))
                window went as (partition by k.kind, c.who order by c.at, c.id)),
            went as (
                select kind, who, array_agg(source_id order by at, id) as sources, bool_or(has_ended) as has_ended
                from steps where back <= :steps and before is distinct from source_id group by kind, who)
            select :business, kind, sources, count(*), count(*) filter (where has_ended)
            from went group by kind, sources
            """;

    private final JdbcClient jdbc;
    private final Clock clock;
    private final Cache<BusinessId, Learned> known =
            Caffeine.newBuilder().maximumSize(100).build();

    JourneyStore(JdbcClient jdbc, Clock clock) {
        this.jdbc = jdbc;
        this.clock = clock;
    }

    /** What was learned from the journeys that were gathered at some moment. */
    private record Learned(Instant madeAt, Map<OutcomeKind, DataDriven> models) {}

    /** The models that learned from them. */
    record DataDriven(Markov markov, Shapley shapley) {
        List<AttributionModel> models() {
            return List.of(markov, shapley);
        }
    }

    /** How many people the data-driven models rest on, and how many of them had an outcome. */
    record Size(long people, long converted) {}

    /** Gathers them anew. */
    void make() {
        jdbc.sql("delete from journey").update();
        jdbc.sql(MAKE)
                .param("since", Timestamp.from(clock.instant().minus(Duration.ofDays(DAYS))))
                .param("direct", Touch.DIRECT)
                .param("steps", MOST_STEPS)
                .param("business", BusinessScope.current().value())
                .update();
        jdbc.sql("""
                        insert into journey_made values (?, ?)
                        on conflict (business_id) do update set made_at = excluded.made_at
                        """)
                .params(BusinessScope.current().value(), Timestamp.from(clock.instant()))
                .update();
    }

    /** Markov and Shapley for each kind of outcome; they learn anew only from journeys that are gathered anew. */
    Map<OutcomeKind, DataDriven> models() {
        Instant madeAt = jdbc.sql("select made_at from journey_made")
                .query((row, number) -> row.getTimestamp(1).toInstant())
                .optional()
                .orElse(Instant.EPOCH);
        Learned before = known.getIfPresent(BusinessScope.current());
        if (before != null && before.madeAt().equals(madeAt)) {
            return before.models();
        }
        Learned learned = new Learned(madeAt, learn());
        known.put(BusinessScope.current(), learned);
        return learned.models();
    }

    private Map<OutcomeKind, DataDriven> learn() {
        Map<OutcomeKind, List<Journey>> journeys = new EnumMap<>(OutcomeKind.class);
        for (OutcomeKind kind : OutcomeKind.values()) {
            journeys.put(kind, new ArrayList<>());
        }
        jdbc.sql("select kind, sources, people, converted from journey")
                .query((row, number) -> Optional.ofNullable(
                                journeys.get(OutcomeKind.find(row.getString(1)).orElseThrow()))
                        .orElseThrow()
                        .add(new Journey(
                                Arrays.asList((UUID[]) row.getArray(2).getArray()), row.getLong(3), row.getLong(4))))
                .list();
        Map<OutcomeKind, DataDriven> models = new EnumMap<>(OutcomeKind.class);
        journeys.forEach(
                (kind, own) -> models.put(kind, new DataDriven(new Markov(RemovalEffects.of(own)), new Shapley(own))));
        return models;
    }

    Size size(OutcomeKind kind) {
        return jdbc.sql("select coalesce(sum(people), 0), coalesce(sum(converted), 0) from journey where kind = ?")
                .param(kind.key())
                .query((row, number) -> new Size(row.getLong(1), row.getLong(2)))
                .single();
    }
}
