package wendo.app.audience.audiences;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import wendo.app.WendoTest;

/** Links to choose from, where there are more than a list can hold. */
class RuleChoicesTest extends WendoTest {
    private static final int MANY = 305;
    private static final int A_SHEET = 40;

    @Autowired
    private RuleChoices choices;

    private static RuleDraft by(String find, String... chosen) {
        return RuleDraft.group(
                "all",
                new RuleDraft(
                        Map.of("kind", List.of("came"), "find", List.of(find), "which", List.of(chosen)), List.of()));
    }

    private static List<String> offered(RuleChoices.Choices all, RuleDraft rules) {
        return all.links(rules.parts().get(0)).stream()
                .map(RuleChoices.Choice::name)
                .toList();
    }

    @Test
    void the_newest_those_that_are_chosen_and_those_that_are_looked_for() {
        Tenant tenant = tenant("Dunlin Days");
        for (int from = 0; from < MANY; from += A_SHEET) {
            http().issue(
                            tenant.apiKey(),
                            "https://dunlin.example/",
                            "Spring",
                            IntStream.range(from, Math.min(MANY, from + A_SHEET))
                                    .mapToObj("Sign %03d"::formatted)
                                    .toArray(String[]::new));
        }
        in(tenant, () -> {
            jdbc.sql("update link set created_at = created_at - interval '1 day' where name like 'Sign 00%'")
                    .update();
            RuleDraft none = by("");
            assertThat(offered(choices.choices(List.of(none)), none)).hasSize(300);
            RuleDraft sought = by("SIGN 003");
            assertThat(offered(choices.choices(List.of(sought)), sought))
                    .singleElement()
                    .asString()
                    .startsWith("Sign 003");
            String old = jdbc.sql("select id::text from link where name like 'Sign 004%'")
                    .query(String.class)
                    .single();
            RuleDraft chosen = by("sign 003", old);
            assertThat(offered(choices.choices(List.of(chosen)), chosen))
                    .hasSize(2)
                    .anyMatch(name -> name.startsWith("Sign 004"));
            assertThat(choices.choices(List.of(chosen)).names()).containsKey(old);
            return tenant;
        });
    }
}
