package wendo.app.platform.site;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Comparator;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.springframework.util.LinkedMultiValueMap;
import org.springframework.util.MultiValueMap;

class ListLookTest {
    private static final ListColumn NAME = ListColumn.of("name", "common.name", "lower(name)");
    private static final ListColumn CAME =
            ListColumn.of("came", "common.when", "came_at", ListColumn.Trait.GREATEST_FIRST);
    private static final ListColumn VALUE =
            ListColumn.of("value", "common.value", "value", ListColumn.Trait.GREATEST_FIRST);
    private static final ListColumn WORDS = ListColumn.of("words", "common.what", "", ListColumn.Trait.NOT_SORTABLE);
    private static final ListColumn PHONE = ListColumn.of("phone", "common.phone", "phone", ListColumn.Trait.ON_WISH);

    private static ListLook look(String sort, String... columns) {
        MultiValueMap<String, String> asked = new LinkedMultiValueMap<>();
        asked.add("sort", sort);
        List.of(columns).forEach(column -> asked.add("columns", column));
        return ListLook.of(List.of(NAME, CAME, VALUE, WORDS, PHONE), "came", new TypedFields(asked));
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', textBlock = """
                    ''      | came_at desc
                    came    | came_at desc
                    -came   | came_at
                    value   | value desc nulls last
                    -value  | value
                    name    | lower(name)
                    -name   | lower(name) desc nulls last
                    words   | came_at desc
                    -words  | came_at desc
                    --value | came_at desc
                    x'; --  | came_at desc
                    """)
    void what_is_not_known_comes_last_and_nonsense_is_as_usual(String sort, String orderBy) {
        assertThat(look(sort).orderBy()).isEqualTo(orderBy);
    }

    @Test
    void a_press_on_a_heading_sorts_by_it_and_the_next_one_turns_it_round() {
        ListLook usual = look("");
        assertThat(usual.pressed(VALUE, "find=a")).isEqualTo("find=a&sort=value");
        assertThat(look("value").pressed(VALUE, "find=a")).isEqualTo("find=a&sort=-value");
        assertThat(look("-value").pressed(VALUE, "find=a")).isEqualTo("find=a&sort=value");
        assertThat(usual.pressed(CAME, "")).isEqualTo("sort=-came");
        assertThat(look("-came").pressed(CAME, "")).isEmpty();
    }

    @Test
    void headings_say_their_direction() {
        assertThat(look("").direction(CAME)).isEqualTo("descending");
        assertThat(look("-came").direction(CAME)).isEqualTo("ascending");
        assertThat(look("name").direction(NAME)).isEqualTo("ascending");
        assertThat(look("name").direction(CAME)).isEqualTo("none");
    }

    @Test
    void the_first_column_stays_and_what_is_chosen_stands_in_the_order_of_the_list() {
        assertThat(look("").shown()).containsExactly(NAME, CAME, VALUE, WORDS);
        assertThat(look("", "phone", "value").shown()).containsExactly(NAME, VALUE, PHONE);
        assertThat(look("", "phone.value").shown()).containsExactly(NAME, VALUE, PHONE);
        assertThat(look("", "name").shown()).containsExactly(NAME);
        assertThat(look("", "nonsense", "").shown()).isEqualTo(look("").shown());
    }

    @Test
    void an_address_says_only_what_is_not_usual_and_brings_the_same_look_again() {
        assertThat(look("came", "name", "came", "value", "words").behind("")).isEmpty();
        String query = look("-value", "phone").behind("whose=all");
        assertThat(query).isEqualTo("whose=all&sort=-value&columns=name.phone");
        assertThat(look("-value", "name.phone").behind("whose=all")).isEqualTo(query);
    }

    @Test
    void rows_in_memory_are_sorted_in_the_same_direction() {
        List<String> rows = List.of("b", "c", "a");
        assertThat(look("name").sorted(rows, Comparator.naturalOrder())).containsExactly("a", "b", "c");
        assertThat(look("value").sorted(rows, Comparator.naturalOrder())).containsExactly("c", "b", "a");
        assertThat(look("-value").sorted(rows, Comparator.naturalOrder())).containsExactly("a", "b", "c");
    }
}
