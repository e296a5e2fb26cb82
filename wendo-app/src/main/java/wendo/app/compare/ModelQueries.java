package wendo.app.compare;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Timestamp;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import wendo.app.credit.CreditColumns;
import wendo.core.credit.ModelName;
import wendo.core.measure.Period;

/** The SQL of what each source is credited with under every model, and of the outcomes behind it. */
@Component
class ModelQueries {
    static final int PAGE = 100;

    private static final ModelName[] MODELS = ModelName.values();

    /** An outcome that nothing joins is nobody's in whole, under every model. */
    private static final String EVERY_MODEL = """
            with shared as (
                select c.source_id, o.id, %2$s
                from credit c join outcome o on o.id = c.outcome_id
                where %1$s >= :from and %1$s < :to and o.kind = :kind and not o.is_proof
                group by c.source_id, o.id
                union all
                select null, o.id, %3$s
                from outcome o
                where o.occurred_at >= :from and o.occurred_at < :to and o.kind = :kind and not o.is_proof and o.counts
                    and not exists (select from credit c where c.outcome_id = o.id))
            select source_id, %4$s from shared group by source_id
            """;

    private final JdbcClient jdbc;

    ModelQueries(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /** What a source has of an outcome: millionths of it and of its value, after what was taken back. */
    record Part(
            UUID outcome,
            String reference,
            Instant occurredAt,
            String status,
            long keptMinor,
            long millionths,
            long minor) {}

    /** A month: its first day, people's visits by links, credited outcomes and their value. */
    record Month(LocalDate first, long visits, Credited credited, long revenueMinor) {}

    private static String each(String column, String separator) {
        return Arrays.stream(MODELS)
                .map(model -> column.formatted(CreditColumns.share(model)))
                .collect(Collectors.joining(separator));
    }

    /** By source; without one, what no source is credited with. */
    @Transactional(readOnly = true)
    Map<Optional<UUID>, Map<ModelName, Credited>> credited(Period period, ZoneId zone, CompareChoice choice) {
        String sql = EVERY_MODEL.formatted(
                choice.clock().column(),
                each("sum(c.%1$s) as %1$s", ", "),
                each("1000000", ", "),
                each("sum(%1$s) as %1$s, sum((%1$s / 1e6) ^ 2) as %1$s_squares", ", "));
        return within(jdbc.sql(sql), period, zone)
                .param("kind", choice.kind().key())
                .query((row, number) -> Map.entry(Optional.ofNullable(row.getObject(1, UUID.class)), models(row)))
                .list()
                .stream()
                .collect(Collectors.toMap(Map.Entry::getKey, Map.Entry::getValue));
    }

    private static Map<ModelName, Credited> models(ResultSet row) throws SQLException {
        Map<ModelName, Credited> models = new EnumMap<>(ModelName.class);
        for (ModelName model : MODELS) {
            String column = CreditColumns.share(model);
            models.put(model, new Credited(row.getLong(column), row.getDouble(column + "_squares")));
        }
        return models;
    }

    private static JdbcClient.StatementSpec within(JdbcClient.StatementSpec statement, Period period, ZoneId zone) {
        return statement
                .param("from", Timestamp.from(period.startsAt(zone)))
                .param("to", Timestamp.from(period.endsBefore(zone)));
    }

    /** The outcomes of a kind that a source is credited with, newest first. */
    @Transactional(readOnly = true)
    List<Part> parts(UUID source, Period period, ZoneId zone, CompareChoice choice, int page) {
        return within(
                        jdbc.sql("""
                        select o.id, o.reference, o.occurred_at, o.status, o.kept_minor, sum(c.%2$s), sum(c.%3$s)
                        from credit c join outcome o on o.id = c.outcome_id
                        where c.source_id = :source and %1$s >= :from and %1$s < :to and o.kind = :kind and not o.is_proof
                        group by o.id having bool_or(c.%2$s <> 0)
                        order by o.occurred_at desc, o.id limit :limit offset :offset
                        """.formatted(
                                        choice.clock().column(),
                                        CreditColumns.share(choice.model()),
                                        CreditColumns.minor(choice.model()))),
                        period,
                        zone)
                .param("source", source)
                .param("kind", choice.kind().key())
                .param("limit", PAGE)
                .param("offset", (long) page * PAGE)
                .query((row, number) -> new Part(
                        row.getObject(1, UUID.class),
                        row.getString(2),
                        row.getTimestamp(3).toInstant(),
                        row.getString(4),
                        row.getLong(5),
                        row.getLong(6),
                        row.getLong(7)))
                .list();
    }

    /** The months of a period, the first and the last as far as they lie in it. */
    @Transactional(readOnly = true)
    List<Month> months(UUID source, Period period, ZoneId zone, CompareChoice choice) {
        return within(
                        jdbc.sql("""
                        with earned as (
                            select date_trunc('month', %1$s at time zone :zone)::date as month, o.id, sum(c.%2$s) as share,
                                sum(c.%3$s) as minor
                            from credit c join outcome o on o.id = c.outcome_id
                            where c.source_id = :source and %1$s >= :from and %1$s < :to and o.kind = :kind and not o.is_proof
                            group by 1, 2),
                        came as (
                            select date_trunc('month', s.day)::date as month, sum(s.visits) as visits
                            from visit_sum s join link l on l.id = s.link_id
                            where l.source_id = :source and s.day >= :first and s.day < :end and s.kind = 'person'
                            group by 1)
                        select m::date, coalesce((select visits from came where month = m::date), 0),
                            coalesce(sum(e.share), 0), coalesce(sum((e.share / 1e6) ^ 2), 0), coalesce(sum(e.minor), 0)
                        from generate_series(date_trunc('month', :first::date), :end::date - 1, interval '1 month') m
                        left join earned e on e.month = m::date group by m order by m
                        """.formatted(
                                        choice.clock().column(),
                                        CreditColumns.share(choice.model()),
                                        CreditColumns.minor(choice.model()))),
                        period,
                        zone)
                .param("source", source)
                .param("kind", choice.kind().key())
                .param("zone", zone.getId())
                .param("first", period.startInclusive())
                .param("end", period.endExclusive())
                .query((row, number) -> new Month(
                        row.getObject(1, LocalDate.class),
                        row.getLong(2),
                        new Credited(row.getLong(3), row.getDouble(4)),
                        row.getLong(5)))
                .list();
    }
}
