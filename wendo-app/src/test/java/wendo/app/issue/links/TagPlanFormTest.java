package wendo.app.issue.links;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.springframework.util.LinkedMultiValueMap;
import org.springframework.util.MultiValueMap;
import wendo.app.issue.links.TagPlanForm.Row;
import wendo.app.platform.site.TypedFields;
import wendo.core.links.TagField;
import wendo.core.links.TagPlan;

class TagPlanFormTest {
    private static final Row SOURCE = new Row("utm_source", "SOURCE", true, "");

    private static TagPlanForm plan(Row... more) {
        List<Row> rows = IntStream.rangeClosed(0, more.length)
                .mapToObj(i -> i == 0 ? SOURCE : more[i - 1])
                .toList();
        return new TagPlanForm("Shops", "HYPHENS", rows);
    }

    @Test
    void rows_without_a_parameter_are_left_out_and_each_keeps_its_own_values() {
        MultiValueMap<String, String> sent = new LinkedMultiValueMap<>();
        sent.add("name", " Shops ");
        sent.add("spelling", "HYPHENS");
        for (String[] row : new String[][] {
            {"utm_source", "SOURCE", "yes", ""},
            {" ", "TYPED", "", "lost"},
            {"utm_term", "TYPED", "", "red; blue,green"}
        }) {
            sent.add("parameter", row[0]);
            sent.add("from", row[1]);
            sent.add("required", row[2]);
            sent.add("values", row[3]);
        }
        TagPlanForm form = TagPlanForm.of(new TypedFields(sent));
        assertThat(form.name()).isEqualTo("Shops");
        assertThat(form.rows()).extracting(Row::parameter).containsExactly("utm_source", "utm_term");
        TagPlan plan = form.check().plan().orElseThrow();
        assertThat(plan.fields().get(1).allowed()).containsExactly("red", "blue", "green");
        assertThat(plan.fields().get(1).isRequired()).isFalse();
    }

    @Test
    void only_a_typed_field_may_go_without_a_value() {
        TagPlan plan = plan(new Row("utm_medium", "MEDIUM", false, ""), new Row("shop", "FIXED", false, "harbour"))
                .check()
                .plan()
                .orElseThrow();
        assertThat(plan.fields()).allMatch(TagField::isRequired);
        assertThat(plan.fields().get(2).fixed()).isEqualTo("harbour");
    }

    @ParameterizedTest
    @ValueSource(strings = {"wcl", "utm_source", "utm source", "a&b", ""})
    void a_parameter_that_is_ours_or_twice_or_no_name_is_refused(String parameter) {
        TagPlanForm.Judged judged = plan(new Row(parameter, "TYPED", false, "")).check();
        assertThat(judged.plan()).isEmpty();
        assertThat(judged.faults()).containsOnlyKeys("fields");
    }

    @Test
    void a_plan_without_a_source_and_one_with_too_many_fields_are_refused() {
        assertThat(new TagPlanForm("Shops", "HYPHENS", List.of(new Row("utm_medium", "MEDIUM", true, "")))
                        .check()
                        .faults())
                .containsOnlyKeys("fields");
        Row[] most = IntStream.range(1, TagPlan.MAX_FIELDS)
                .mapToObj(i -> new Row("p" + i, "TYPED", false, ""))
                .toArray(Row[]::new);
        assertThat(plan(most).check().plan()).isPresent();
        Row[] tooMany = IntStream.range(0, TagPlan.MAX_FIELDS)
                .mapToObj(i -> new Row("p" + i, "TYPED", false, ""))
                .toArray(Row[]::new);
        assertThat(plan(tooMany).check().faults()).containsOnlyKeys("fields");
    }

    @Test
    void a_name_and_a_spelling_are_asked_for() {
        assertThat(new TagPlanForm("", "HYPHENS", List.of(SOURCE)).check().faults())
                .containsOnlyKeys("name");
        assertThat(new TagPlanForm("n".repeat(TagPlans.MAX_NAME + 1), "HYPHENS", List.of(SOURCE))
                        .check()
                        .faults())
                .containsOnlyKeys("name");
        assertThat(new TagPlanForm("Shops", "SHOUTING", List.of(SOURCE)).check().faults())
                .containsOnlyKeys("spelling");
    }

    @Test
    void a_plan_that_is_opened_again_says_the_same() {
        TagPlan plan = plan(
                        new Row("utm_medium", "MEDIUM", true, ""),
                        new Row("shop", "FIXED", true, "harbour"),
                        new Row("utm_term", "TYPED", true, "red, blue"))
                .check()
                .plan()
                .orElseThrow();
        TagPlanForm again = TagPlanForm.of(new NamedPlan(new java.util.UUID(1, 1), "Shops", false, plan));
        assertThat(again.check().plan()).contains(plan);
        assertThat(again.rowsToFill()).hasSize(plan.fields().size() + 3);
    }
}
