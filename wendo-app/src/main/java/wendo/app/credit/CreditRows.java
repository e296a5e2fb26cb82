package wendo.app.credit;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import wendo.core.credit.ModelName;
import wendo.core.links.Channel;
import wendo.core.visits.Touch;

/** Keeps what each touch earned. Runs in the transaction of its caller. */
@Component
class CreditRows {
    private static final ModelName[] MODELS = ModelName.values();

    private final JdbcClient jdbc;

    CreditRows(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /** Replaces what these outcomes had in an edition. */
    void replace(long edition, Map<DueOutcome, CreditedTrail> trails) {
        jdbc.sql("delete from credit_row where edition = ? and outcome_id = any(?)")
                .params(edition, trails.keySet().stream().map(DueOutcome::id).toArray(UUID[]::new))
                .update();
        CreditInsert insert = new CreditInsert();
        trails.forEach(insert::add);
        insert.run(edition, jdbc);
    }

    /** How people came to outcomes, as it was kept with their credit: visits are forgotten, this is not. */
    Map<UUID, List<TouchStore.Step>> came(List<UUID> outcomes, long edition, Map<UUID, Channel> channels) {
        Map<UUID, List<TouchStore.Step>> came = new HashMap<>();
        jdbc.sql("""
                        select outcome_id, how, touched_at, click_id, source_id, link_id, touch from credit_row
                        where edition = ? and entry = 0 and outcome_id = any(?) and how in ('visit', 'arrival')
                        """).params(edition, outcomes.toArray(UUID[]::new)).query(row -> {
            UUID source = Optional.ofNullable(row.getObject(5, UUID.class)).orElse(Touch.DIRECT);
            UUID id = Optional.ofNullable(row.getObject(4, UUID.class)).orElse(new UUID(0, row.getInt(7)));
            came.computeIfAbsent(row.getObject(1, UUID.class), outcome -> new ArrayList<>())
                    .add(new TouchStore.Step(
                            row.getString(2),
                            new Touch.Step(
                                    source,
                                    channels.getOrDefault(source, Channel.OTHER),
                                    id,
                                    row.getTimestamp(3).toInstant()),
                            Optional.ofNullable(row.getObject(6, UUID.class))));
        });
        return came;
    }

    /** What leads earned, for what continues them to take. */
    Map<UUID, CreditedTrail> trails(List<UUID> leads, long edition) {
        Map<UUID, List<CreditedTrail.Step>> steps = new HashMap<>();
        Map<UUID, Map<ModelName, List<Long>>> weights = new HashMap<>();
        String shares = Arrays.stream(MODELS).map(CreditColumns::share).collect(Collectors.joining(", "));
        jdbc.sql("select outcome_id, touched_at, click_id, source_id, link_id, " + shares + " from credit_row"
                        + " where edition = ? and entry = 0 and outcome_id = any(?) order by touch")
                .params(edition, leads.toArray(UUID[]::new))
                .query(row -> {
                    UUID lead = row.getObject(1, UUID.class);
                    steps.computeIfAbsent(lead, id -> new ArrayList<>())
                            .add(new CreditedTrail.Step(
                                    "lead",
                                    row.getTimestamp(2).toInstant(),
                                    Optional.ofNullable(row.getObject(3, UUID.class)),
                                    Optional.ofNullable(row.getObject(4, UUID.class)),
                                    Optional.ofNullable(row.getObject(5, UUID.class))));
                    for (ModelName model : MODELS) {
                        weights.computeIfAbsent(lead, id -> new EnumMap<>(ModelName.class))
                                .computeIfAbsent(model, name -> new ArrayList<>())
                                .add(row.getLong(CreditColumns.share(model)));
                    }
                });
        Map<UUID, CreditedTrail> trails = new HashMap<>();
        steps.forEach((lead, own) -> trails.put(lead, new CreditedTrail(own, weights.getOrDefault(lead, Map.of()))));
        return trails;
    }
}
