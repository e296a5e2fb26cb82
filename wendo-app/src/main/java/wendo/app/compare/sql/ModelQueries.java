package wendo.app.compare.sql;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import wendo.app.credit.CreditColumns;
import wendo.core.credit.ModelName;
import wendo.core.credit.ShapleyValue;
import wendo.core.measure.Period;

/** The SQL of what each source is credited with under every model, and of the outcomes behind it. */
@Component
public class ModelQueries {
    private static final ModelName[] MODELS = ModelName.values();

    /** An outcome that nothing joins is nobody's in whole, under every model. */
    private static final String EVERY_MODEL = """
            with shared as (
                select %1$s as key, o.id, %2$s
                from credit c join outcome o on o.id = c.outcome_id %3$s
                where %4$s >= :from and %4$s < :to and o.kind = :kind and not o.is_proof
                group by 1, o.id
                union all
                select %5$s, o.id, %6$s
                from outcome o
                where o.occurred_at >= :from and o.occurred_at < :to and o.kind = :kind and not o.is_proof
                    and not exists (select from credit c where c.outcome_id = o.id))
            select key, %7$s from shared group by key
            """;

    private final JdbcClient jdbc;

    public ModelQueries(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /** A month: its first day, people's visits by links, and what is credited of its outcomes. */
    public record Month(LocalDate first, long visits, Credited credited) {}

    private static String each(String columns) {
        return Arrays.stream(MODELS)
                .map(model -> columns.formatted(CreditColumns.share(model), CreditColumns.minor(model)))
                .collect(Collectors.joining(", "));
    }

    /** By group. */
    @Transactional(readOnly = true)
    public Map<String, Map<ModelName, Credited>> credited(Period period, ZoneId zone, CompareChoice choice) {
        String clock = ClockColumn.of(choice.clock());
        GroupSql group = GroupSql.of(choice.grouping(), clock);
        String sql = EVERY_MODEL.formatted(
                group.creditKey(),
                each("sum(c.%1$s) as %1$s, sum(c.%2$s) as %2$s"),
                group.creditJoin(),
                clock,
                group.unjoinedKey(),
                each("case when o.counts then 1000000 else 0 end, o.kept_minor"),
                each("sum(%1$s) as %1$s, sum((%1$s / 1e6) ^ 2) as %1$s_squares, sum(%2$s) as %2$s"));
        Map<String, Map<ModelName, Credited>> byKey = new HashMap<>();
        CompareQueries.within(jdbc.sql(sql), period, zone)
                .param("kind", choice.kind().key())
                .query(row -> {
                    byKey.put(row.getString(1), models(row));
                });
        return byKey;
    }

    private static Map<ModelName, Credited> models(ResultSet row) throws SQLException {
        Map<ModelName, Credited> models = new EnumMap<>(ModelName.class);
        for (ModelName model : MODELS) {
            String share = CreditColumns.share(model);
            models.put(
                    model,
                    new Credited(
                            row.getLong(share),
                            row.getDouble(share + "_squares"),
                            row.getLong(CreditColumns.minor(model))));
        }
        return models;
    }

    /** The sources of each trail that has so many of them that Shapley samples, of outcomes in the period. */
    @Transactional(readOnly = true)
    public List<Set<UUID>> longTrails(Period period, ZoneId zone, CompareChoice choice) {
        String sql = """
                select array_agg(distinct c.source_id) from credit c join outcome o on o.id = c.outcome_id
                where o.occurred_at >= :from and o.occurred_at < :to and o.kind = :kind and not o.is_proof
                    and c.source_id is not null
                group by o.id having count(distinct c.source_id) > :exact limit 100
                """;
        return CompareQueries.within(jdbc.sql(sql), period, zone)
                .param("kind", choice.kind().key())
                .param("exact", ShapleyValue.EXACT_UP_TO)
                .query((row, number) -> Set.of((UUID[]) row.getArray(1).getArray()))
                .list();
    }

    /** The months of a period, the first and the last as far as they lie in it. */
    @Transactional(readOnly = true)
    public List<Month> months(String key, Period period, ZoneId zone, CompareChoice choice) {
        String clock = ClockColumn.of(choice.clock());
        GroupSql group = GroupSql.of(choice.grouping(), clock);
        String sql = """
                with shared as (
                    select %1$s as key, date_trunc('month', %2$s at time zone :zone)::date as month, o.id,
                        sum(c.%3$s) as share, sum(c.%4$s) as minor
                    from credit c join outcome o on o.id = c.outcome_id %5$s
                    where %2$s >= :from and %2$s < :to and o.kind = :kind and not o.is_proof
                    group by 1, 2, 3
                    union all
                    select %6$s, date_trunc('month', o.occurred_at at time zone :zone)::date, o.id,
                        case when o.counts then 1000000 else 0 end, o.kept_minor
                    from outcome o
                    where o.occurred_at >= :from and o.occurred_at < :to and o.kind = :kind and not o.is_proof
                        and not exists (select from credit c where c.outcome_id = o.id)),
                earned as (
                    select month, sum(share) as share, sum((share / 1e6) ^ 2) as squares, sum(minor) as minor
                    from shared where key = :key group by 1),
                came as (
                    select v.month, sum(v.visits) as visits from %7$s where %8$s = :key group by 1)
                select m::date, coalesce(c.visits, 0), coalesce(e.share, 0), coalesce(e.squares, 0), coalesce(e.minor, 0)
                from generate_series(date_trunc('month', :first::date), :end::date - 1, interval '1 month') m
                left join earned e on e.month = m::date left join came c on c.month = m::date order by m
                """.formatted(
                        group.creditKey(),
                        clock,
                        CreditColumns.share(choice.model()),
                        CreditColumns.minor(choice.model()),
                        group.creditJoin(),
                        group.unjoinedKey(),
                        group.visits(),
                        group.visitKey());
        return CompareQueries.within(jdbc.sql(sql), period, zone)
                .param("key", key)
                .param("kind", choice.kind().key())
                .query((row, number) -> new Month(
                        row.getObject(1, LocalDate.class),
                        row.getLong(2),
                        new Credited(row.getLong(3), row.getDouble(4), row.getLong(5))))
                .list();
    }
}
