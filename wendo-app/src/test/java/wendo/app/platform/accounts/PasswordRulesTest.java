package wendo.app.platform.accounts;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** NIST SP 800-63B-4, section 3.1.1.2. */
class PasswordRulesTest {
    private static final List<String> KNOWN = List.of("wendo", "Ines Marsh", "ines@brantboats.example", "Brant Boats");

    private static String fault(String password) {
        return PasswordRules.fault(password, KNOWN).orElse("");
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "correct horse battery staple", // four words: any composition is fine
                "a-long-enough-password",
                "zwölf Möwen am Kai",
                "ключ от старой лодки",
                "🛶🌊🐚 three shells found"
            })
    void long_and_unlikely_ones_are_taken_whatever_they_are_made_of(String password) {
        assertThat(fault(password)).isEmpty();
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "password1234",
                "qwertyuiop12",
                "123456789012",
                "aaaaaaaaaaaaaaaa",
                "iloveyou1234",
                "Ines Marsh 12",
                "brant boats 2026",
                "wendowendowendo"
            })
    void common_ones_and_what_others_know_are_refused(String password) {
        assertThat(fault(password)).contains("easy to guess");
    }

    @Test
    void both_bounds_hold() {
        String words = "tern eel otter gull plover sandpiper whelk heron dunlin limpet kelp brill";
        assertThat(fault(words.substring(0, 11))).isEqualTo("Use 12 characters or more.");
        assertThat(fault(words.substring(0, 12))).isEmpty();
        assertThat(fault(words.substring(0, 72))).isEmpty();
        assertThat(fault(words.substring(0, 73))).contains("72 bytes at most");
        assertThat(fault("ö".repeat(2) + words.substring(0, 69)))
                .as("bytes, not characters")
                .contains("72 bytes");
        assertThat(fault("🛶🌊🐚🐟🦀")).as("characters, not parts of them").contains("12 characters");
    }

    @Test
    void one_typed_on_another_keyboard_is_the_same() {
        assertThat(PasswordRules.normal("Mo\u0308we")).isEqualTo("M\u00f6we");
    }
}
