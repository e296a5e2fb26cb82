package wendo.core.links;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.math.BigInteger;
import java.util.HashSet;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;

class SubIdFormTest {
    /** Held against {@link BigInteger#toString(int)}. */
    @ParameterizedTest
    @EnumSource(SubIdForm.Alphabet.class)
    void an_alias_is_its_number_in_the_networks_characters(SubIdForm.Alphabet alphabet) {
        SubIdForm form = new SubIdForm("sub1", alphabet, 200);
        int base = alphabet == SubIdForm.Alphabet.DIGITS ? 10 : alphabet == SubIdForm.Alphabet.HEX ? 16 : 36;
        for (long number = 1; number > 0 && number < Long.MAX_VALUE / 7; number *= 7) {
            String expected = BigInteger.valueOf(number).toString(base);
            assertThat(form.alias(number)).contains("0".repeat(Math.max(0, 3 - expected.length())) + expected);
        }
    }

    @ParameterizedTest
    @EnumSource(SubIdForm.Alphabet.class)
    void all_of_the_shortest_are_different_and_then_they_are_used_up(SubIdForm.Alphabet alphabet) {
        SubIdForm form = new SubIdForm("sub1", alphabet, 3);
        long all = form.aliases().orElseThrow();
        Set<String> seen = new HashSet<>();
        for (long number = 0; number < all; number++) {
            assertThat(seen.add(form.alias(number).orElseThrow())).isTrue();
        }
        assertThat(seen).hasSize((int) all).allMatch(alias -> alias.length() == 3);
        assertThat(form.alias(all)).isEmpty();
    }

    @ParameterizedTest
    @CsvSource({"LETTERS, 26, true", "LETTERS, 25, false", "HEX, 200, false", "DIGITS, 200, false"})
    void a_click_identifier_goes_out_where_it_fits(SubIdForm.Alphabet alphabet, int length, boolean fits) {
        assertThat(new SubIdForm("sub1", alphabet, length).takesClickIds()).isEqualTo(fits);
    }

    @Test
    void what_can_be_none_is_refused() {
        assertThatThrownBy(() -> new SubIdForm("a b", SubIdForm.Alphabet.HEX, 8))
                .hasMessage("A sub-ID's parameter must be a name, but was \"a b\"");
        for (int length : new int[] {2, 201}) {
            assertThatThrownBy(() -> new SubIdForm("s", SubIdForm.Alphabet.HEX, length))
                    .hasMessage("A sub-ID must have 3 to 200 characters, but had " + length);
        }
        assertThat(new SubIdForm("sub[1]", SubIdForm.Alphabet.LETTERS, 200).aliases())
                .isEmpty();
    }
}
