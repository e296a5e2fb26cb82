package wendo.app.place.subscribers;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** The addresses in what a sending system exports. */
class UnsubscribesTest {
    @ParameterizedTest
    @CsvSource(delimiter = '|', textBlock = """
                    ada@reed.example                                    | ada@reed.example
                    Ada@Reed.example ada@reed.example                   | ada@reed.example
                    Ada Reed <ada@reed.example>, bo@reed.example        | ada@reed.example bo@reed.example
                    "ada@reed.example";"Ada";"3 May"                    | ada@reed.example
                    ada@reed.example,2026-05-03,@reed.example,reed@     | ada@reed.example
                    nothing here                                        | ''
                    """)
    void are_found_each_once_and_nothing_else_is(String text, String found) {
        assertThat(String.join(" ", Unsubscribes.addresses(text))).isEqualTo(found);
    }
}
