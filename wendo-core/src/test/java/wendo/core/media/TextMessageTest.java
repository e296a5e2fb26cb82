package wendo.core.media;

import static org.assertj.core.api.Assertions.assertThat;

import com.cloudhopper.commons.charset.CharsetUtil;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Numbers: 3GPP TS 23.038 (alphabets) and 3GPP TS 23.040 (160 and 153 units, 70 and 67 code units). */
class TextMessageTest {

    /** Reference: the GSM character set of ch-commons-charset 3.0.2. */
    @Test
    void every_character_of_the_basic_plane_takes_the_units_that_the_reference_library_gives_it() {
        for (int c = 0; c <= 0xFFFF; c++) {
            if (c < 0x20 && c != '\n' && c != '\r' || Character.isSurrogate((char) c)) {
                continue; // controls are no text, and half a pair is none either
            }
            String text = String.valueOf((char) c);
            byte[] encoded = CharsetUtil.encode(text, CharsetUtil.CHARSET_GSM);
            boolean isKnown =
                    CharsetUtil.decode(encoded, CharsetUtil.CHARSET_GSM).equals(text);
            int expected = isKnown ? encoded.length : 0;
            if (c == 'Ç' || c == 'ç') {
                continue; // see below: the library holds to an older reading of the table
            }
            assertThat(SmsAlphabet.units(c)).as("U+%04X", c).isEqualTo(expected);
        }
    }

    /** Read off the tables of 3GPP TS 23.038, 6.2.1 and 6.2.1.1. */
    @Test
    void the_two_places_where_the_library_differs_from_the_table_follow_the_table() {
        assertThat(SmsAlphabet.units('Ç')).isEqualTo(1);
        assertThat(SmsAlphabet.units('ç')).isZero();
        assertThat(SmsAlphabet.units('\f')).isEqualTo(2);
    }

    @ParameterizedTest
    @CsvSource({
        "a, 160, 1, 0, GSM_7",
        "a, 161, 2, 145, GSM_7",
        "a, 306, 2, 0, GSM_7",
        "a, 307, 3, 152, GSM_7",
        "€, 80, 1, 0, GSM_7",
        "€, 81, 2, 143, GSM_7",
        "я, 70, 1, 0, UCS_2",
        "я, 71, 2, 63, UCS_2",
        "я, 134, 2, 0, UCS_2",
        "я, 135, 3, 66, UCS_2",
        "⛵, 70, 1, 0, UCS_2",
        "😀, 35, 1, 0, UCS_2",
        "😀, 36, 2, 61, UCS_2"
    })
    void parts_fill_to_their_last_unit(
            String character, int times, int parts, int left, TextMessage.Alphabet alphabet) {
        TextMessage message = TextMessage.of(character.repeat(times));
        assertThat(message.parts()).hasSize(parts);
        assertThat(message.unitsLeft()).isEqualTo(left);
        assertThat(message.alphabet()).isEqualTo(alphabet);
    }

    @Test
    void an_escaped_character_and_a_surrogate_pair_move_on_whole() {
        assertThat(TextMessage.of("a".repeat(152) + "€" + "b".repeat(20)).parts())
                .containsExactly("a".repeat(152), "€" + "b".repeat(20));
        assertThat(TextMessage.of("я".repeat(66) + "😀" + "я".repeat(20)).parts())
                .containsExactly("я".repeat(66), "😀" + "я".repeat(20));
    }

    @Test
    void whatever_the_text_its_parts_are_the_text_and_none_is_too_long() {
        String letters = "aé€^{}я’😀 \n";
        Random random = new Random(7);
        for (int i = 0; i < 2000; i++) {
            StringBuilder text = new StringBuilder();
            int[] points = letters.codePoints().toArray();
            int length = random.nextInt(500);
            int plain = random.nextBoolean() ? 6 : points.length;
            for (int c = 0; c < length; c++) {
                text.appendCodePoint(points[random.nextInt(plain)]);
            }
            TextMessage message = TextMessage.of(text.toString());
            assertThat(String.join("", message.parts())).isEqualTo(text.toString());
            int most = message.parts().size() > 1
                    ? message.alphabet().joined()
                    : message.alphabet().single();
            for (String part : message.parts()) {
                assertThat(part.codePoints().map(message.alphabet()::units).sum())
                        .isBetween(1, most);
                assertThat(part).doesNotEndWith("\ud83d");
            }
            assertThat(message.unitsLeft()).isBetween(0, message.alphabet().single());
        }
    }

    @Test
    void what_forces_the_expensive_alphabet_is_named_with_what_could_stand_instead() {
        TextMessage message = TextMessage.of("It’s “on” – see you… ü é ž ⛵ it’s");
        assertThat(message.costly())
                .containsExactly(
                        new TextMessage.Costly("’", "right single quotation mark", 2, "'"),
                        new TextMessage.Costly("“", "left double quotation mark", 1, "\""),
                        new TextMessage.Costly("”", "right double quotation mark", 1, "\""),
                        new TextMessage.Costly("–", "en dash", 1, "-"),
                        new TextMessage.Costly("…", "horizontal ellipsis", 1, "..."),
                        new TextMessage.Costly("ž", "latin small letter z with caron", 1, "z"),
                        new TextMessage.Costly("⛵", "sailboat", 1, ""));
        assertThat(TextMessage.cheaper("It’s “on” – see you… ü ž ⛵")).isEqualTo("It's \"on\" - see you... ü z ⛵");
    }

    @Test
    void each_replacement_is_itself_in_the_seven_bit_alphabet() {
        for (int c = 0x20; c < 0x3000; c++) {
            if (SmsAlphabet.units(c) == 0 && Character.isDefined(c)) {
                assertThat(SmsAlphabet.has(CostlyCharacters.instead(Character.toString(c))))
                        .as("U+%04X", c)
                        .isTrue();
            }
        }
    }

    @Test
    void no_text_is_no_part() {
        assertThat(TextMessage.of(""))
                .isEqualTo(new TextMessage(TextMessage.Alphabet.GSM_7, 0, List.of(), 160, List.of()));
    }
}
