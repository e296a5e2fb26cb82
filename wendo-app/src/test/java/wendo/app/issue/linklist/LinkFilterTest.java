package wendo.app.issue.linklist;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import wendo.app.platform.site.TypedFields;

class LinkFilterTest {
    private static final Map<String, List<String>> SAID = Map.of(
            "channel", List.of("", "print", "ad", "pigeon"),
            "state", List.of("", "archived", "all", "gone"),
            "failing", List.of("", "yes", "no"),
            "sort", List.of("", "visited", "newest", "quiet", "failing", "name", "-name", "people", "age"),
            "columns", List.of("", "people", "people.issued", "name", "moon"),
            "group", List.of("", "none", "channel", "campaign", "source", "moon"));

    private static LinkFilter of(Map<String, String> typed) {
        return LinkFilter.of(TypedFields.of(typed));
    }

    @Test
    void every_filter_comes_back_from_its_own_address() {
        Random random = new Random(17);
        for (int i = 0; i < 3000; i++) {
            Map<String, String> typed = new HashMap<>();
            SAID.forEach((name, values) -> typed.put(name, values.get(random.nextInt(values.size()))));
            for (String name : List.of("source", "campaign", "destination", "owner")) {
                typed.put(name, random.nextBoolean() ? new UUID(random.nextLong(), random.nextLong()).toString() : "x");
            }
            StringBuilder text = new StringBuilder();
            for (int c = random.nextInt(12); c > 0; c--) {
                text.append("aé&=?%+#{}\"<ł 😀/"
                        .codePoints()
                        .skip(random.nextInt(15))
                        .mapToObj(Character::toString)
                        .findFirst()
                        .orElse("a"));
            }
            typed.put("find", text.toString());
            typed.put("label", text.reverse().toString());
            LinkFilter filter = of(typed);
            assertThat(LinkFilter.ofQuery(filter.query())).as(filter.query()).isEqualTo(filter);
        }
    }

    @Test
    void what_is_usual_is_not_said() {
        assertThat(of(Map.of()).query()).isEmpty();
        assertThat(of(Map.of("sort", "visited", "group", "none", "state", "active", "source", "nonsense"))
                        .query())
                .isEmpty();
        assertThat(of(Map.of("find", "a b&c", "sort", "name")).query()).isEqualTo("find=a%20b%26c&sort=name");
        assertThat(LinkFilter.ofQuery("")).isEqualTo(of(Map.of()));
    }

    /** Addresses that people kept, and filters with a name, go on meaning what they meant. */
    @ParameterizedTest
    @CsvSource({"visited, ''", "newest, sort=issued", "quiet, sort=-visits", "failing, sort=health", "name, sort=name"})
    void what_was_kept_earlier_still_sorts_alike(String former, String now) {
        assertThat(LinkFilter.ofQuery("sort=" + former).query()).isEqualTo(now);
    }

    @ParameterizedTest
    @CsvSource({
        "find, x, true, false",
        "label, x, true, true",
        "state, all, true, true",
        "failing, yes, true, true",
        "sort, name, false, false",
        "channel, print, true, true",
        "owner, x, false, false"
    })
    void a_filter_knows_whether_it_holds_links_back(String name, String value, boolean narrow, boolean narrowed) {
        LinkFilter filter = of(Map.of(name, value));
        assertThat(filter.isNarrow()).isEqualTo(narrow);
        assertThat(filter.isNarrowed()).isEqualTo(narrowed);
    }

    @Test
    void a_text_without_end_is_cut() {
        assertThat(of(Map.of("find", "x".repeat(5000))).find()).hasSize(2000);
    }
}
