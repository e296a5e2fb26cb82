package wendo.core.media;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class MergeTextTest {

    @ParameterizedTest
    @CsvSource(
            delimiter = ';',
            value = {
                "Dear {Name}; Dear Ada",
                "Dear {NAME|sailor}; Dear Ada",
                "Hi {town|there}; Hi there",
                "Hi {Town}!; Hi !",
                "{none}; {none}",
                "{none|x}; {none|x}",
                "a {b; a {b",
                "{}; {}",
                "cost $1 \\{name}; cost $1 \\Ada",
                "{ name };Ada"
            })
    void fields_are_filled_and_empty_ones_fall_back(String text, String expected) {
        assertThat(new MergeText(text).fill(Map.of("name", " Ada ", "town", " ")))
                .isEqualTo(expected);
    }

    @Test
    void fields_without_words_for_when_they_are_empty_are_told() {
        assertThat(new MergeText("Hello {First name|there}, about {items} and {Items}: {name|}").withoutFallback())
                .containsExactly("items");
    }

    @Test
    void a_value_that_looks_like_a_field_stays_a_value() {
        assertThat(new MergeText("{a} {b}").fill(Map.of("a", "{b}", "b", "$0"))).isEqualTo("{b} $0");
        assertThat(new MergeText("{Link} for {name|you}, {LINK}").fields()).containsExactly("link", "name");
    }
}
