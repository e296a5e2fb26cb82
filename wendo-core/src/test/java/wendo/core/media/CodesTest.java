package wendo.core.media;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import boofcv.abst.fiducial.QrCodeDetector;
import boofcv.factory.fiducial.FactoryFiducial;
import boofcv.struct.image.GrayU8;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;

class CodesTest {
    private static final int PIXELS = 4;

    /** Reads a code by a library that shares nothing with the one that wrote it: BoofCV. */
    static String read(QrCode code) {
        GrayU8 image = new GrayU8(code.modulesAcross() * PIXELS, code.modulesAcross() * PIXELS);
        for (int y = 0; y < image.height; y++) {
            for (int x = 0; x < image.width; x++) {
                int column = x / PIXELS - QrCode.QUIET_ZONE;
                int row = y / PIXELS - QrCode.QUIET_ZONE;
                boolean isInside = column >= 0 && row >= 0 && column < code.modules() && row < code.modules();
                image.set(x, y, isInside && code.isDark(column, row) ? 0 : 255);
            }
        }
        QrCodeDetector<GrayU8> detector = FactoryFiducial.qrcode(null, GrayU8.class);
        detector.process(image);
        assertThat(detector.getDetections()).hasSize(1);
        return detector.getDetections().get(0).message;
    }

    @ParameterizedTest
    @EnumSource(Correction.class)
    void every_code_reads_back_as_what_it_was_made_from(Correction correction) {
        Random random = new Random(11);
        for (int i = 0; i < 40; i++) {
            StringBuilder slug = new StringBuilder();
            int length = 2 + random.nextInt(49);
            for (int c = 0; c < length; c++) {
                slug.append("0123456789bcdfghjkmnpqrstvwxyz-".charAt(random.nextInt(31)));
            }
            String address = "https://go.marrampoint.example/" + slug;
            String smallest = QrCode.smallest(address, correction);
            assertThat(read(QrCode.of(smallest, correction)))
                    .isEqualTo(smallest)
                    .isEqualToIgnoringCase(address);
        }
    }

    /**
     * Table 7 of ISO/IEC 18004 (capacities): version 3-Q holds 32 bytes or 47 alphanumeric characters, 2-Q 20 or 29, 4-Q
     * 46 or 67; 1-L holds 17 or 25, 40-L 2953 or 4296. From memory of the standard.
     */
    @ParameterizedTest
    @CsvSource({
        "20, Q, 2, 2",
        "21, Q, 3, 2",
        "29, Q, 3, 2",
        "30, Q, 3, 3",
        "32, Q, 3, 3",
        "33, Q, 4, 3",
        "46, Q, 4, 3",
        "48, Q, 5, 4",
        "17, L, 1, 1",
        "18, L, 2, 1",
        "25, L, 2, 1",
        "26, L, 2, 2"
    })
    void capitals_pack_closer(int length, Correction correction, int versionAsTyped, int versionInCapitals) {
        String text = "https://go.example/" + "k".repeat(Math.max(0, length - 19));
        String cut = text.substring(0, length);
        assertThat(QrCode.of(cut, correction).version()).isEqualTo(versionAsTyped);
        QrCode capitals = QrCode.of(cut.toUpperCase(java.util.Locale.ROOT), correction);
        assertThat(capitals.version()).isEqualTo(versionInCapitals);
        assertThat(capitals.modules()).isEqualTo(17 + 4 * versionInCapitals);
        assertThat(capitals.isCompact()).isTrue();
        assertThat(QrCode.smallest(cut, correction).equals(cut)).isEqualTo(versionAsTyped == versionInCapitals);
    }

    @Test
    void runs_are_the_dark_modules_and_nothing_else() {
        QrCode code = QrCode.of("HTTPS://GO.EXAMPLE/RUN", Correction.Q);
        boolean[][] drawn = new boolean[code.modules()][code.modules()];
        for (QrCode.Run run : code.runs()) {
            for (int i = 0; i < run.length(); i++) {
                assertThat(drawn[run.row()][run.column() + i]).isFalse();
                drawn[run.row()][run.column() + i] = true;
            }
        }
        for (int row = 0; row < code.modules(); row++) {
            for (int column = 0; column < code.modules(); column++) {
                assertThat(drawn[row][column]).isEqualTo(code.isDark(column, row));
            }
        }
    }

    @Test
    void a_text_that_no_code_holds_is_refused_in_words() {
        assertThatThrownBy(() -> QrCode.of("a".repeat(2954), Correction.L))
                .hasMessage(
                        "A code with correction L cannot hold these 2954 characters; use a shorter text or less correction.");
        assertThat(QrCode.of("a".repeat(2953), Correction.L).version()).isEqualTo(40);
    }

    @Test
    void a_printed_code_knows_its_module_its_quiet_zone_and_how_far_it_carries() {
        QrCode code = QrCode.of("HTTPS://GO.EXAMPLE/RUN", Correction.Q);
        assertThat(code.modules()).isEqualTo(25);
        PrintedSize size = new PrintedSize(code, 25);
        assertThat(size.moduleMillimetres()).isEqualTo(1.0);
        assertThat(size.quietZoneMillimetres()).isEqualTo(4.0);
        assertThat(size.acrossMillimetres()).isEqualTo(33.0);
        assertThat(size.distanceMillimetres()).isEqualTo(250);
        assertThat(new PrintedSize(code, 10).isLargeEnough()).isTrue();
        assertThat(new PrintedSize(code, 9.9).isLargeEnough()).isFalse();
        assertThat(PrintedSize.forDistance(code, 2000).millimetres()).isEqualTo(200);
        assertThat(PrintedSize.forDistance(code, 50).millimetres()).isCloseTo(10, within(1e-9));
        assertThatThrownBy(() -> new PrintedSize(code, 7.9))
                .hasMessage("A code’s side must be 8 to 1000 mm, but was 7.9.");
        assertThatThrownBy(() -> new PrintedSize(code, Double.NaN)).hasMessageContaining("NaN");
        assertThatThrownBy(() -> new PrintedSize(code, 1000.1)).hasMessageContaining("1000.1");
    }

    @Test
    void a_mark_covers_no_more_than_a_third_of_what_the_correction_restores() {
        for (Correction correction : Correction.values()) {
            for (int version = 1; version <= 40; version++) {
                int modules = 17 + 4 * version;
                int mark = correction.markModules(modules);
                assertThat(mark % 2).isEqualTo(1);
                assertThat(3.0 * mark * mark).isLessThanOrEqualTo(correction.percent() / 100.0 * modules * modules);
                assertThat(3.0 * (mark + 2) * (mark + 2))
                        .isGreaterThan(correction.percent() / 100.0 * modules * modules);
            }
        }
        assertThat(Correction.M.allowsMark()).isFalse();
        assertThat(Correction.Q.allowsMark()).isTrue();
    }

    @Test
    void sheets_place_their_cells_within_the_paper() {
        SheetLayout labels = new SheetLayout(210, 297, 3, 8, 70, 36, 0, 4.5, 0, 0);
        assertThat(labels.cells()).isEqualTo(24);
        assertThat(labels.left(0)).isZero();
        assertThat(labels.left(5)).isEqualTo(140);
        assertThat(labels.top(5)).isEqualTo(40.5);
        assertThat(labels.pages(24)).isEqualTo(1);
        assertThat(labels.pages(25)).isEqualTo(2);
        assertThat(SheetLayout.even(SheetLayout.card(148, 210), 2, 3, 10).cellWidth())
                .isEqualTo(64);
        assertThat(SheetLayout.card(105, 148).cells()).isEqualTo(1);
        assertThatThrownBy(() -> new SheetLayout(210, 297, 3, 8, 70.1, 36, 0, 4.5, 0, 0))
                .hasMessage("The columns need 210.3 mm, but the paper has 210 mm.");
        assertThatThrownBy(() -> new SheetLayout(210, 297, 3, 9, 70, 36, 0, 4.5, 0, 0))
                .hasMessage("The rows need 328.5 mm, but the paper has 297 mm.");
        assertThatThrownBy(() -> new SheetLayout(210, 297, 0, 8, 70, 36, 0, 4.5, 0, 0))
                .hasMessage("The number of columns must be 1 to 400, but was 0.");
    }
}
