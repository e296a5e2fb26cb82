package wendo.core.media;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
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
        return picture(CODE, pixels, radians, side, isInverted);
    }

    private static int[] picture(QrCode code, double pixels, double radians, int side, boolean isInverted) {
        int[] rgb = new int[side * side];
        for (int y = 0; y < side; y++) {
            for (int x = 0; x < side; x++) {
                double dx = x - side / 2.0;
                double dy = y - side / 2.0;
                double column = (dx * Math.cos(radians) + dy * Math.sin(radians)) / pixels + code.modules() / 2.0;
                double row = (-dx * Math.sin(radians) + dy * Math.cos(radians)) / pixels + code.modules() / 2.0;
                boolean isInside = column >= 0 && row >= 0 && column < code.modules() && row < code.modules();
                boolean isDark = isInside && code.isDark((int) column, (int) row);
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

    /** Of a thousand codes drawn straight these seven hold patterns that look like a finder's. One pixel a module will do. */
    @ParameterizedTest
    @ValueSource(
            strings = {
                "http://go-0b20ea36.localhost:30070/84adec",
                "http://go-2f52fb25.localhost:30932/94780c",
                "http://go-f4372732.localhost:30040/ac9adc",
                "http://go-2403ab5b.localhost:30352/b59971",
                "http://go-fea4a3ac.localhost:30647/68aba1",
                "http://go-23513f57.localhost:30662/de7c4b",
                "http://go-dfd92dff.localhost:30948/7ec2fc"
            })
    void a_code_is_read_whatever_its_text(String text) {
        for (Correction correction : List.of(Correction.M, Correction.Q)) {
            QrCode code = QrCode.of(QrCode.smallest(text, correction), correction);
            for (int pixels : new int[] {1, 2, 4, 8, 9, 13}) {
                int side = pixels * code.modulesAcross();
                assertThat(CodeReading.of(picture(code, pixels, 0, side, false), side, side)
                                .map(CodeReading::text))
                        .contains(code.content());
            }
        }
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
