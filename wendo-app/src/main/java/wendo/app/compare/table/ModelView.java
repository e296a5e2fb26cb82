package wendo.app.compare.table;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import wendo.app.compare.sql.Credited;
import wendo.app.platform.site.Texts;
import wendo.core.credit.ModelName;
import wendo.core.outcomes.OutcomeKind;

/** How each group is judged under every model, so that it can be said whether the decision depends on the model. */
public record ModelView(Map<String, Map<ModelName, Judged>> byKey) {

    /** @param credited by key, with which what no row has is left out */
    public static ModelView of(
            Comparison comparison, OutcomeKind kind, Map<String, Map<ModelName, Credited>> credited) {
        Map<String, Map<ModelName, Judged>> byKey = new LinkedHashMap<>();
        for (ModelName model : ModelName.values()) {
            Map<String, Credited> own = new HashMap<>();
            credited.forEach((key, models) -> own.put(key, models.getOrDefault(model, Credited.none())));
            Comparison under = comparison.with(kind, own);
            Map<String, Judged> judged = under.judgedByKey(kind);
            for (ComparedRow row : under.rows()) {
                byKey.computeIfAbsent(row.key(), key -> new EnumMap<>(ModelName.class))
                        .put(model, judged.getOrDefault(row.key(), under.unjudged(row, kind)));
            }
        }
        return new ModelView(byKey);
    }

    /** The models by what they say of a group. */
    private Map<String, List<ModelName>> words(String key) {
        Map<String, List<ModelName>> words = new LinkedHashMap<>();
        byKey.getOrDefault(key, Map.of())
                .forEach((model, judged) -> words.computeIfAbsent(judged.words(), one -> new ArrayList<>())
                        .add(model));
        return words;
    }

    /** The groups that are judged otherwise under one model than under another. */
    public List<String> depending(Comparison comparison) {
        return comparison.paid().stream()
                .filter(row -> words(row.key()).size() > 1)
                .map(ComparedRow::name)
                .toList();
    }

    /** Whether the decision on a group depends on the model, as a sentence. */
    public String said(String key) {
        Map<String, List<ModelName>> words = words(key);
        if (words.size() == 1) {
            return Texts.of(
                    "compare.table.the-decision-does-not-depend",
                    words.keySet().iterator().next());
        }
        return Texts.of(
                "compare.table.decision-depends",
                words.entrySet().stream()
                        .map(entry -> Texts.of(
                                "compare.table.by",
                                entry.getKey(),
                                entry.getValue().stream()
                                        .map(one -> Texts.of("common.model-spoken", one.name()))
                                        .collect(Collectors.joining(", "))))
                        .collect(Collectors.joining("; ")));
    }
}
