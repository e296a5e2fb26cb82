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
    private enum Column implements ListColumn {
        NAME("lower(name)"),
        CAME("came_at"),
        VALUE("value"),
        WORDS(""),
        PHONE("phone");

        private final String sql;

        Column(String sql) {
            this.sql = sql;
        }

        @Override
        public String heading() {
            return "common." + key();
        }

        @Override
        public String sql() {
            return sql;
        }

        @Override
        public boolean isGreatestFirst() {
            return this == CAME || this == VALUE;
        }

        @Override
        public boolean isUsual() {
            return this != PHONE;
        }
    }

    private static ListLook look(String sort, String... columns) {
        MultiValueMap<String, String> asked = new LinkedMultiValueMap<>();
        asked.add("sort", sort);
        List.of(columns).forEach(column -> asked.add("columns", column));
        return ListLook.of(Column.values(), Column.CAME, new TypedFields(asked));
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
        assertThat(usual.pressed(Column.VALUE, "find=a")).isEqualTo("find=a&sort=value");
        assertThat(look("value").pressed(Column.VALUE, "find=a")).isEqualTo("find=a&sort=-value");
        assertThat(look("-value").pressed(Column.VALUE, "find=a")).isEqualTo("find=a&sort=value");
        assertThat(usual.pressed(Column.CAME, "")).isEqualTo("sort=-came");
        assertThat(look("-came").pressed(Column.CAME, "")).isEmpty();
    }

    @Test
    void headings_say_their_direction() {
        assertThat(look("").direction(Column.CAME)).isEqualTo("descending");
        assertThat(look("-came").direction(Column.CAME)).isEqualTo("ascending");
        assertThat(look("name").direction(Column.NAME)).isEqualTo("ascending");
        assertThat(look("name").direction(Column.CAME)).isEqualTo("none");
    }

    @Test
    void the_first_column_stays_and_what_is_chosen_stands_in_the_order_of_the_list() {
        assertThat(look("").shown()).containsExactly(Column.NAME, Column.CAME, Column.VALUE, Column.WORDS);
        assertThat(look("", "phone", "value").shown()).containsExactly(Column.NAME, Column.VALUE, Column.PHONE);
        assertThat(look("", "phone.value").shown()).containsExactly(Column.NAME, Column.VALUE, Column.PHONE);
        assertThat(look("", "name").shown()).containsExactly(Column.NAME);
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
