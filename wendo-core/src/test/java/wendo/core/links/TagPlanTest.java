package wendo.core.links;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.Map;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import wendo.core.text.Sentence;

class TagPlanTest {
    private static final Tags TAGS = new Tags(Tag.of("Dunlin Bay"), Tag.of("print"), Tag.of("Spring"));
    private static final TagField SOURCE = TagField.of("utm_source", TagField.From.SOURCE);
    private static final TagField PLACEMENT =
            new TagField("placement", TagField.From.TYPED, true, "", List.of("Front window", "Counter"));

    private static TagPlan plan(TagField... fields) {
        return new TagPlan(Spelling.HYPHENS, List.of(fields));
    }

    @Test
    void parameters_stand_in_the_order_of_the_plan() {
        TagPlan plan = plan(
                new TagField("brand", TagField.From.FIXED, true, "Redshank & Co", List.of()),
                SOURCE,
                TagField.of("utm_content", TagField.From.TYPED),
                TagField.of("utm_campaign", TagField.From.CAMPAIGN));
        TagPlan.Filled filled = plan.fill(TAGS, Map.of("utm_content", " Blue  Card ", "elsewhere", "x"));
        assertThat(filled.parameters())
                .containsExactly(
                        Map.entry("brand", "redshank-co"),
                        Map.entry("utm_source", "dunlin-bay"),
                        Map.entry("utm_content", "blue-card"),
                        Map.entry("utm_campaign", "spring"));
        assertThat(filled.faults()).isEmpty();
        assertThat(plan.fill(TAGS, Map.of()).parameters())
                .as("a field nobody has to fill in is left out")
                .doesNotContainKey("utm_content");
    }

    @ParameterizedTest
    @CsvSource({"HYPHENS, dunlin-bay", "UNDERSCORES, dunlin_bay", "TOGETHER, dunlinbay"})
    void a_plan_spells_all_values_one_way(Spelling spelling, String expected) {
        TagPlan plan = new TagPlan(spelling, List.of(SOURCE));
        assertThat(plan.fill(TAGS, Map.of()).parameters()).containsEntry("utm_source", expected);
        assertThat(spelling.write(Tag.of("Spring Mailer"))).isEqualTo(spelling.example());
    }

    @Test
    void a_listed_field_takes_its_own_values_in_any_spelling_and_no_other() {
        TagPlan plan = plan(SOURCE, PLACEMENT);
        assertThat(plan.fill(TAGS, Map.of("placement", "FRONT_WINDOW")).parameters())
                .containsEntry("placement", "front-window");
        assertThat(plan.fill(TAGS, Map.of("placement", "roof")).faults())
                .containsEntry(
                        "placement", Sentence.of("links.tag-other", "Placement", "roof", "Front window, Counter"));
        assertThat(plan.fill(TAGS, Map.of()).faults())
                .containsEntry("placement", Sentence.of("links.tag-wanted-of", "Placement", "Front window, Counter"));
    }

    @Test
    void impossible_plans_say_why() {
        assertThatThrownBy(() -> plan(PLACEMENT)).hasMessageContaining("has to carry the source");
        assertThatThrownBy(() -> plan(SOURCE, SOURCE)).hasMessage("utm_source stands in the plan twice.");
        assertThatThrownBy(() -> plan(SOURCE, TagField.of("WCL", TagField.From.TYPED)))
                .hasMessageContaining("choose another name");
        assertThatThrownBy(() -> TagField.of("a b", TagField.From.TYPED)).hasMessageContaining("“a b” is not");
        assertThatThrownBy(() -> TagField.of("x".repeat(41), TagField.From.TYPED))
                .hasMessageContaining("40 at most");
        assertThatThrownBy(() -> new TagField("f", TagField.From.FIXED, true, "-", List.of()))
                .hasMessageContaining("fixed value of f");
        assertThatThrownBy(() -> new TagField("f", TagField.From.TYPED, true, "", List.of("ok", "!")))
                .hasMessageContaining("“!”");
    }

    @Test
    void tags_of_a_pasted_address_are_told_apart_from_the_rest_of_it() {
        PastedTags pasted = PastedTags.of(
                WebAddress.of("shop.example/a?utm_medium=e%2Dmail&x=1&ref=Old+Letter&utm_term=&placement=roof#top"),
                plan(TagField.of("ref", TagField.From.SOURCE), PLACEMENT));
        assertThat(pasted.bare()).hasToString("https://shop.example/a?x=1#top");
        assertThat(pasted.source()).hasValue("Old Letter");
        assertThat(pasted.medium()).hasValue("e-mail");
        assertThat(pasted.campaign()).isEmpty();
        assertThat(pasted.typed()).containsExactly(Map.entry("placement", "roof"));
        assertThat(PastedTags.of(WebAddress.of("shop.example/?utm=1&x=%zz"), TagPlan.standard())
                        .values())
                .isEmpty();
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "{source}-{campaign} | dunlin-bay-spring",
                "go-{source} | go-dunlin-bay",
                "{SPRING}{campaign} | ",
                "{campaign}.{source} | spring-dunlin-bay",
                "{source}_{source}_{source}_{source}_{source}_{source} | dunlin-bay-dunlin-bay-dunlin-bay-dunlin-bay-dunlin",
            })
    void endings_are_made_from_a_pattern(String pattern, String expected) {
        Set<String> known = Set.of("source", "campaign");
        Map<String, String> values = Map.of("source", "dunlin-bay", "campaign", "spring");
        if (expected == null) {
            assertThatThrownBy(() -> SlugPattern.of(pattern, known))
                    .hasMessage("The pattern knows {campaign}, {source}; “{SPRING}” is not among them.");
        } else {
            assertThat(SlugPattern.of(pattern, known).fill(values)).isEqualTo(expected);
        }
    }

    @Test
    void a_pattern_that_makes_no_difference_or_does_not_close_is_refused() {
        assertThatThrownBy(() -> SlugPattern.of("card", Set.of("source"))).hasMessageContaining("such as {source}");
        assertThatThrownBy(() -> SlugPattern.of("{source}-{", Set.of("source"))).hasMessageContaining("not closed");
        assertThat(SlugPattern.of("{source}", Set.of("source")).fill(Map.of("source", "żółw.łódź")))
                .isEqualTo("zolw-lodz");
        assertThat(SlugPattern.of("{source}", Set.of("source")).fill(Map.of("source", "日本")))
                .isEmpty();
    }
}
