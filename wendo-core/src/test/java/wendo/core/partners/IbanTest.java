package wendo.core.partners;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** The examples are those of the IBAN Registry, which is the registry of ISO 13616 (SWIFT); typed from memory. */
class IbanTest {
    @ParameterizedTest
    @ValueSource(
            strings = {
                "AT61 1904 3002 3457 3201",
                "BE68 5390 0754 7034",
                "CH93 0076 2011 6238 5295 7",
                "DE89 3704 0044 0532 0130 00",
                "DK50 0040 0440 1162 43",
                "ES91 2100 0418 4502 0005 1332",
                "FI21 1234 5600 0007 85",
                "FR14 2004 1010 0505 0001 3M02 606",
                "GB29 NWBK 6016 1331 9268 19",
                "IE29 AIBK 9311 5212 3456 78",
                "IT60 X054 2811 1010 0000 0123 456",
                "MT84 MALT 0110 0001 2345 MTLC AST0 01S",
                "NL91 ABNA 0417 1643 00",
                "NO93 8601 1117 947",
                "PL61 1090 1014 0000 0712 1981 2874",
                "PT50 0002 0123 1234 5678 9015 4",
                "SE45 5000 0000 0583 9825 7466"
            })
    void the_registrys_examples_are_read_however_they_are_typed(String printed) {
        Iban iban = Iban.find(printed).orElseThrow();
        assertThat(iban.grouped()).isEqualTo(printed);
        assertThat(Iban.find(printed.replace(" ", "").toLowerCase(java.util.Locale.ROOT)))
                .contains(iban);
        assertThat(Iban.isMistyped(printed)).isFalse();
    }

    /** ISO 7064 MOD 97-10 finds each single wrong digit; all of one example are tried. */
    @Test
    void each_single_wrong_digit_is_found() {
        String right = "DE89370400440532013000";
        for (int at = 2; at < right.length(); at++) {
            for (char digit = '0'; digit <= '9'; digit++) {
                String typed = right.substring(0, at) + digit + right.substring(at + 1);
                assertThat(Iban.find(typed).isPresent()).as(typed).isEqualTo(digit == right.charAt(at));
                assertThat(Iban.isMistyped(typed)).as(typed).isEqualTo(digit != right.charAt(at));
            }
        }
    }

    /** And each two neighbours that changed places. */
    @Test
    void neighbours_that_changed_places_are_found() {
        String right = "NL91ABNA0417164300";
        for (int at = 8; at + 1 < right.length(); at++) {
            char[] letters = right.toCharArray();
            letters[at] = right.charAt(at + 1);
            letters[at + 1] = right.charAt(at);
            String typed = new String(letters);
            assertThat(Iban.find(typed).isPresent()).as(typed).isEqualTo(typed.equals(right));
        }
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "",
                "DE",
                "DE8937040044053201300",
                "DE893704004405320130000",
                "XX82WEST12345698765432",
                "12345678"
            })
    void what_has_another_length_or_no_country_is_none(String typed) {
        assertThat(Iban.find(typed)).isEmpty();
        assertThatThrownBy(() -> new Iban(typed)).hasMessageContaining(typed);
    }

    @Test
    void masked_it_tells_its_country_and_its_end() {
        assertThat(Iban.find("DE89370400440532013000").orElseThrow().masked()).isEqualTo("DE … 3000");
    }
}
