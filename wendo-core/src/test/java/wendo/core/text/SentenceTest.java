package wendo.core.text;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.text.MessageFormat;
import java.util.Locale;
import java.util.MissingResourceException;
import java.util.ResourceBundle;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

class SentenceTest {
    private static final ResourceBundle ENGLISH = ResourceBundle.getBundle(Sentence.BUNDLE, Locale.ROOT);
    private static final ResourceBundle GERMAN = ResourceBundle.getBundle(Sentence.BUNDLE, Locale.GERMAN);

    @Test
    void values_stand_as_they_are() {
        assertThat(Sentence.of("links.address-length", 2000, 12_345).english())
                .isEqualTo("An address may have 2000 characters; this one has 12345.");
        assertThat(Sentence.of("links.pattern-part", "source}, {campaign", "x").english())
                .isEqualTo("The pattern knows {source}, {campaign}; “{x}” is not among them.");
    }

    @Test
    void a_refusal_says_its_sentence_to_logs_and_programs() {
        assertThat(new Refused("links.port", "70000"))
                .hasMessage("A port is a number from 1 to 65535, but here it is 70000.")
                .isInstanceOf(IllegalArgumentException.class);
    }

    @Test
    void a_key_without_words_is_a_callers_bug() {
        assertThatThrownBy(() -> Sentence.of("no.such")).isInstanceOf(MissingResourceException.class);
    }

    static Stream<String> keys() {
        return ENGLISH.keySet().stream().filter(key -> !key.equals("said"));
    }

    @ParameterizedTest
    @MethodSource("keys")
    void every_sentence_is_there_in_german_with_the_same_values(String key) {
        assertThat(GERMAN.keySet()).contains(key);
        assertThat(GERMAN.getString(key)).isNotEqualTo(ENGLISH.getString(key));
        assertThat(places(GERMAN.getString(key))).isEqualTo(places(ENGLISH.getString(key)));
    }

    @Test
    void every_sentence_is_said_somewhere() throws IOException {
        try (Stream<Path> files = Files.walk(Path.of("src/main/java"))) {
            String sources = files.filter(file -> file.toString().endsWith(".java"))
                    .map(SentenceTest::read)
                    .collect(Collectors.joining());
            assertThat(ENGLISH.keySet()).allSatisfy(key -> assertThat(sources).contains('"' + key + '"'));
        }
    }

    private static String read(Path file) {
        try {
            return Files.readString(file);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static int places(String text) {
        return new MessageFormat(text, Locale.ROOT).getFormatsByArgumentIndex().length;
    }
}
