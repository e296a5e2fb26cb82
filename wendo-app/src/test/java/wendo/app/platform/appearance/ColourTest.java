package wendo.app.platform.appearance;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Contrast as WCAG 2.2 defines it. */
class ColourTest {
    private static Colour colour(String written) {
        return Colour.find(written).orElseThrow();
    }

    /**
     * Black on white is 21:1 and the ratio of a colour with itself 1:1, by the definition; #767676 is known as the lightest
     * grey that passes on white (4.54:1), #777777 as the darkest that fails (4.48:1): W3C's WAI tutorials, and WebAIM's
     * contrast checker.
     */
    @ParameterizedTest
    @CsvSource({"#000000,#ffffff,21", "#1a6b5f,#1a6b5f,1", "#767676,#ffffff,4.54", "#777777,#ffffff,4.48"})
    void the_contrast_is_what_the_definition_says(String one, String other, double ratio) {
        assertThat(colour(one).contrast(colour(other))).isCloseTo(ratio, within(0.005));
        assertThat(colour(other).contrast(colour(one))).isCloseTo(ratio, within(0.005));
    }

    /** Every 17th value of each part, which holds both ends: 4,096 colours. */
    @Test
    void letters_are_read_on_any_colour() {
        for (int red = 0; red <= 255; red += 17) {
            for (int green = 0; green <= 255; green += 17) {
                for (int blue = 0; blue <= 255; blue += 17) {
                    Colour band = new Colour(red << 16 | green << 8 | blue);
                    assertThat(band.contrast(band.ink())).as(band.written()).isGreaterThanOrEqualTo(4.5);
                }
            }
        }
    }

    @ParameterizedTest
    @CsvSource({"#1A6B5F,#1a6b5f", "1a6b5f,#1a6b5f", " #abc ,#aabbcc", "fff,#ffffff"})
    void a_colour_is_read_as_people_write_it(String typed, String written) {
        assertThat(colour(typed).written()).isEqualTo(written);
    }

    @ParameterizedTest
    @CsvSource({"sea", "#12345", "#1234567", "#12345g", "''", "rgb(1 2 3)", "#1a6b5f;}"})
    void what_is_none_is_none(String typed) {
        assertThat(Colour.find(typed)).isEmpty();
    }
}
