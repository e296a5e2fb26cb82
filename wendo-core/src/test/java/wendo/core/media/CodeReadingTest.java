package wendo.core.media;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Optional;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class CodeReadingTest {
    private static final QrCode CODE = QrCode.of("HTTPS://GO.EXAMPLE/SLIPWAY", Correction.Q);
    private static final int LIGHT = 0xF2EEE0;
    private static final int DARK = 0x1A1A22;

    /** A picture of the code, turned by an angle about its middle, with this many pixels a module. */
    private static int[] picture(double pixels, double radians, int side, boolean isInverted) {
        int[] rgb = new int[side * side];
        for (int y = 0; y < side; y++) {
            for (int x = 0; x < side; x++) {
                double dx = x - side / 2.0;
                double dy = y - side / 2.0;
                double column = (dx * Math.cos(radians) + dy * Math.sin(radians)) / pixels + CODE.modules() / 2.0;
                double row = (-dx * Math.sin(radians) + dy * Math.cos(radians)) / pixels + CODE.modules() / 2.0;
                boolean isInside = column >= 0 && row >= 0 && column < CODE.modules() && row < CODE.modules();
                boolean isDark = isInside && CODE.isDark((int) column, (int) row);
                rgb[y * side + x] = isDark != isInverted ? DARK : LIGHT;
            }
        }
        return rgb;
    }

    @ParameterizedTest
    @CsvSource({"3, 0", "4, 0.1", "6, 0.7853981633974483", "8, 1.5707963267948966", "10, 3.0", "12.5, -0.4"})
    void a_code_is_read_at_any_angle_and_its_modules_measured(double pixels, double radians) {
        int side = (int) (pixels * CODE.modulesAcross() * 1.6);
        CodeReading reading = CodeReading.of(picture(pixels, radians, side, false), side, side)
                .orElseThrow();
        assertThat(reading.text()).isEqualTo(CODE.content());
        assertThat(reading.modules()).isEqualTo(CODE.modules());
        assertThat(reading.pixelsPerModule()).isCloseTo(pixels, within(0.06 * pixels + 0.1));
    }

    @Test
    void light_on_dark_is_read_too() {
        int side = 400;
        assertThat(CodeReading.of(picture(6, 0, side, true), side, side)).isPresent();
    }

    @ParameterizedTest
    @ValueSource(ints = {1, 2, 3})
    void noise_is_no_code(int seed) {
        Random random = new Random(seed);
        int[] rgb = random.ints(300 * 300, 0, 0x1000000).toArray();
        assertThat(CodeReading.of(rgb, 300, 300)).isEqualTo(Optional.empty());
    }

    @Test
    void enough_is_three_pixels_a_module() {
        assertThat(new CodeReading("x", 21, 2.99).hasEnoughPixels()).isFalse();
        assertThat(new CodeReading("x", 21, 3).hasEnoughPixels()).isTrue();
    }

    @Test
    void a_drawing_at_true_size_has_its_text_below_and_nothing_that_could_run() {
        String svg = CodeSvg.draw(
                new PrintedSize(CODE, 25), java.util.List.of("<script>&", "x".repeat(80)), Optional.empty());
        double across = 25.0 / CODE.modules() * CODE.modulesAcross();
        assertThat(svg)
                .contains(
                        "width=\"%.3fmm\"".formatted(across),
                        "height=\"%.3fmm\"".formatted(across + 2 * CodeSvg.LINE_MILLIMETRES))
                .contains("&lt;script&gt;&amp;</text>")
                .doesNotContain("<script", "<image");
        assertThat(CodeSvg.draw(CODE)).doesNotContain("mm", "<text");
    }
}
