package wendo.core.visits;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class OutgoingPatternTest {
    @ParameterizedTest
    @CsvSource({
        "booking.example, https://www.Booking.example/, true",
        "booking.example, http://booking.example?x=1, true",
        "booking.example, https://booking.example/a/b#c, true",
        "booking.example, https://booking.example.org/, false",
        "booking.example, https://my.booking.example/, false",
        "*.booking.example, https://my.booking.example/x, true",
        "*booking.example, https://booking.example/x, true",
        "https://www.booking.example/tasters/, https://booking.example/tasters/2, true",
        "booking.example/tasters, https://booking.example/tasters2, false",
        "booking.example/tasters*, https://booking.example/tasters2, true",
        "booking.example/*/pay, https://booking.example/a/b/pay?now, true",
        "booking.example/*/pay, https://booking.example/pay, false",
        "booking.example/a.b, https://booking.example/aXb, false",
        "booking.example/100%_, https://booking.example/100%_, true",
        "booking.example/100%_, https://booking.example/100xx, false"
    })
    void a_pattern_is_an_address_with_all_below_it(String typed, String address, boolean matches) {
        OutgoingPattern pattern = OutgoingPattern.find(typed).orElseThrow();
        String normal = OutgoingPattern.normal(address);
        assertThat(pattern.matches(normal)).isEqualTo(matches);
        assertThat(like(normal, pattern.like())
                        || like(normal, pattern.like() + "/%")
                        || like(normal, pattern.like() + "?%"))
                .as("as SQL reads it")
                .isEqualTo(matches);
    }

    /** What ISO/IEC 9075-2 says of {@code like}: % is any text, _ any character, a backslash takes that away. */
    private static boolean like(String text, String pattern) {
        StringBuilder regex = new StringBuilder();
        for (int i = 0; i < pattern.length(); i++) {
            char c = pattern.charAt(i);
            if (c == '%') {
                regex.append(".*");
            } else if (c == '_') {
                regex.append('.');
            } else {
                regex.append("\\Q").append(c == '\\' ? pattern.charAt(++i) : c).append("\\E");
            }
        }
        return text.matches(regex.toString());
    }

    @ParameterizedTest
    @ValueSource(strings = {"", " ", "*", "https://", "/pay", "?x", "a b", "**/x", "."})
    void what_names_no_host_is_none(String typed) {
        assertThat(OutgoingPattern.find(typed)).isEmpty();
    }

    @Test
    void it_has_300_characters_at_most() {
        assertThat(OutgoingPattern.find("a.example/" + "x".repeat(290))).isPresent();
        assertThat(OutgoingPattern.find("a.example/" + "x".repeat(291))).isEmpty();
        assertThatThrownBy(() -> new OutgoingPattern("HTTPS://A.example"))
                .hasMessage("An outgoing pattern must be a host, perhaps with a path, but was \"HTTPS://A.example\"");
    }
}
