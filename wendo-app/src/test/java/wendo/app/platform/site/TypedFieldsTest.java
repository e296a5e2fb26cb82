package wendo.app.platform.site;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.entry;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.springframework.util.LinkedMultiValueMap;
import org.springframework.util.MultiValueMap;

class TypedFieldsTest {
    private final TypedFields typed;

    TypedFieldsTest() {
        MultiValueMap<String, String> sent = new LinkedMultiValueMap<>();
        sent.add("name", "  Ines ");
        sent.add("off", "MONDAY");
        sent.add("off", "FRIDAY");
        sent.add("weight.a", " 3");
        sent.add("weight.b", "");
        typed = new TypedFields(sent);
    }

    @Test
    void what_was_typed_comes_without_the_spaces_around_it_or_with_them() {
        assertThat(typed.text("name")).isEqualTo("Ines");
        assertThat(typed.raw("name")).isEqualTo("  Ines ");
        assertThat(typed.is("name", "Ines")).isTrue();
        assertThat(typed.firstValues()).contains(entry("name", "  Ines "), entry("off", "MONDAY"));
    }

    @Test
    void what_was_not_sent_is_empty_text_or_what_is_usual() {
        assertThat(typed.text("note")).isEmpty();
        assertThat(typed.text("kind", "booking")).isEqualTo("booking");
        assertThat(typed.text("weight.b", "1")).isEmpty();
        assertThat(typed.text("weight.a", "1")).isEqualTo("3");
        assertThat(typed.isSent("note")).isFalse();
        assertThat(typed.isSent("weight.b")).isTrue();
        assertThat(typed.all("note")).isEmpty();
    }

    @Test
    void fields_of_one_kind_are_found_by_how_they_begin() {
        assertThat(typed.all("off")).isEqualTo(List.of("MONDAY", "FRIDAY"));
        assertThat(typed.behind("weight.")).containsExactly(entry("a", "3"), entry("b", ""));
    }
}
