package wendo.app.issue.links;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Collectors;
import wendo.app.platform.site.Texts;
import wendo.app.platform.site.TypedFields;
import wendo.core.links.Spelling;
import wendo.core.links.TagField;
import wendo.core.links.TagPlan;

/** A tag plan as typed: rows of fields, of which those without a parameter are left out. */
record TagPlanForm(String name, String spelling, List<Row> rows) {
    /** Empty rows that a form offers behind the filled ones. */
    private static final int SPARE = 3;

    /** @param values a fixed value, or the allowed ones with commas between them */
    record Row(String parameter, String from, boolean isRequired, String values) {
        static Row empty() {
            return new Row("", TagField.From.TYPED.name(), false, "");
        }
    }

    /** Either a plan or what is wrong. */
    record Judged(Optional<TagPlan> plan, Map<String, String> faults) {}

    TagPlanForm {
        rows = List.copyOf(rows);
    }

    static TagPlanForm empty() {
        return of(new NamedPlan(new UUID(0, 0), "", false, TagPlan.standard()));
    }

    static TagPlanForm of(NamedPlan plan) {
        return new TagPlanForm(
                plan.name(),
                plan.plan().spelling().name(),
                plan.plan().fields().stream()
                        .map(field -> new Row(
                                field.parameter(),
                                field.from().name(),
                                field.isRequired(),
                                field.from() == TagField.From.FIXED
                                        ? field.fixed()
                                        : String.join(", ", field.allowed())))
                        .toList());
    }

    static TagPlanForm of(TypedFields typed) {
        List<String> parameters = typed.all("parameter");
        List<Row> rows = new ArrayList<>();
        for (int i = 0; i < Math.min(parameters.size(), TagPlan.MAX_FIELDS + 1); i++) {
            if (!parameters.get(i).isBlank()) {
                rows.add(new Row(
                        parameters.get(i).strip(),
                        at(typed, "from", i),
                        at(typed, "required", i).equals("yes"),
                        at(typed, "values", i)));
            }
        }
        return new TagPlanForm(at(typed, "name", 0), at(typed, "spelling", 0), rows);
    }

    private static String at(TypedFields typed, String name, int index) {
        List<String> values = typed.all(name);
        return index < values.size() && values.get(index) != null
                ? values.get(index).strip()
                : "";
    }

    /** The rows of a form, with spare ones to fill in. */
    public List<Row> rowsToFill() {
        List<Row> all = new ArrayList<>(rows);
        for (int i = 0; i < SPARE; i++) {
            all.add(Row.empty());
        }
        return all;
    }

    Judged check() {
        if (name.isEmpty() || name.length() > TagPlans.MAX_NAME) {
            return wrong("name", Texts.of("issue.links.enter-a-plan-name-of", TagPlans.MAX_NAME));
        }
        Optional<Spelling> how = Arrays.stream(Spelling.values())
                .filter(one -> one.name().equals(spelling))
                .findFirst();
        if (how.isEmpty()) {
            return wrong("spelling", Texts.of("issue.links.choose-the-spelling-of-values"));
        }
        try {
            List<TagField> fields = rows.stream().map(TagPlanForm::field).toList();
            return new Judged(Optional.of(new TagPlan(how.get(), fields)), Map.of());
        } catch (IllegalArgumentException e) {
            return wrong("fields", Texts.said(e));
        }
    }

    private static Judged wrong(String field, String message) {
        return new Judged(Optional.empty(), Map.of(field, message));
    }

    private static TagField field(Row row) {
        TagField.From from = Arrays.stream(TagField.From.values())
                .filter(one -> one.name().equals(row.from()))
                .findFirst()
                .orElse(TagField.From.TYPED);
        List<String> allowed = from == TagField.From.TYPED
                ? Arrays.stream(row.values().split("[,;\\n]", -1))
                        .map(String::strip)
                        .filter(value -> !value.isEmpty())
                        .collect(Collectors.toList())
                : List.of();
        return new TagField(
                row.parameter(),
                from,
                from != TagField.From.TYPED || row.isRequired(),
                from == TagField.From.FIXED ? row.values() : "",
                allowed);
    }

    /** What a plan says, by the fields beside which faults stand. */
    Map<String, String> fields() {
        String all = rows.stream()
                .map(row -> Texts.of(
                                "issue.links.field-said",
                                row.parameter(),
                                row.from(),
                                row.isRequired() ? Texts.of("issue.links.required") : "",
                                row.values())
                        .strip())
                .collect(Collectors.joining("; "));
        return Map.of("name", name, "fields", spelling + ": " + all);
    }
}
