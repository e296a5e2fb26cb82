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

/** Keeps what each touch earned. Runs in the transaction of its caller. */
@Component
class CreditRows {
    private static final ModelName[] MODELS = ModelName.values();

    private final JdbcClient jdbc;

    CreditRows(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /** Puts these in the place of what the outcomes had in an edition. */
    void replace(long edition, Map<DueOutcome, CreditedTrail> trails) {
        jdbc.sql("delete from credit_row where edition = ? and outcome_id = any(?)")
                .params(edition, trails.keySet().stream().map(DueOutcome::id).toArray(UUID[]::new))
                .update();
        CreditInsert insert = new CreditInsert();
        trails.forEach(insert::add);
        insert.run(edition, jdbc);
    }

    /** What cannot be made anew, because the visits are forgotten, is taken over. */
    void takeOver(List<UUID> outcomes, long from, long to) {
        List<String> all = new ArrayList<>(
                List.of("business_id, outcome_id, %d, entry, touch, at, how, touched_at, click_id, source_id, link_id"
                        .formatted(to)));
        Arrays.stream(MODELS).forEach(model -> all.add(CreditColumns.share(model)));
        Arrays.stream(MODELS).forEach(model -> all.add(CreditColumns.minor(model)));
        jdbc.sql("insert into credit_row select " + String.join(", ", all)
                        + " from credit_row where edition = ? and outcome_id = any(?) on conflict do nothing")
                .params(from, outcomes.toArray(UUID[]::new))
                .update();
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
