package wendo.app.place.codes;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import boofcv.abst.fiducial.QrCodeDetector;
import boofcv.factory.fiducial.FactoryFiducial;
import boofcv.io.image.ConvertBufferedImage;
import boofcv.struct.image.GrayU8;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import java.util.stream.Collectors;
import javax.imageio.ImageIO;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.rendering.ImageType;
import org.apache.pdfbox.rendering.PDFRenderer;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import wendo.app.Http;
import wendo.app.WendoTest;

/** Codes as files. They are read back by BoofCV, which shares nothing with what drew them. */
class CodesTest extends WendoTest {
    private static final double POINTS_PER_MILLIMETRE = 72 / 25.4;

    private Tenant tenant;
    private Http person;
    private List<String> slugs;

    @BeforeEach
    void open() {
        tenant = tenant("Avocet Adventures");
        person = http().signIn(tenant.email());
        slugs = http().issue(tenant.apiKey(), "https://avocet.example/", "Spring", "Sign", "Łódź café <b>", "Radio");
    }

    private UUID id(String slug) {
        return in(
                tenant,
                () -> jdbc.sql("select id from link where slug = ?")
                        .param(slug)
                        .query(UUID.class)
                        .single());
    }

    private String address(String slug) {
        return "http://" + tenant.host() + ":" + port + "/" + slug;
    }

    private byte[] file(String path) {
        return person.bytes(person.request(path));
    }

    private static List<String> read(BufferedImage image) {
        QrCodeDetector<GrayU8> detector = FactoryFiducial.qrcode(null, GrayU8.class);
        detector.process(ConvertBufferedImage.convertFrom(image, (GrayU8) null));
        return detector.getDetections().stream().map(code -> code.message).toList();
    }

    private static List<String> readPdf(byte[] pdf) throws IOException {
        List<String> read = new ArrayList<>();
        try (PDDocument document = Loader.loadPDF(pdf)) {
            PDFRenderer renderer = new PDFRenderer(document);
            for (int page = 0; page < document.getNumberOfPages(); page++) {
                read.addAll(read(renderer.renderImageWithDPI(page, 300, ImageType.RGB)));
            }
        }
        return read;
    }

    @ParameterizedTest
    @CsvSource({"L, 12, yes", "M, 12, yes", "Q, 14, yes", "H, 16, yes", "Q, 40, no"})
    void every_form_reads_back_as_the_link(String correction, String side, String capitals) throws IOException {
        String query = "?side=%s&correction=%s&capitals=%s&under=both".formatted(side, correction, capitals);
        for (String slug : slugs) {
            String base = "/codes/" + id(slug);
            List<String> png = read(ImageIO.read(new ByteArrayInputStream(file(base + ".png" + query))));
            assertThat(png).hasSize(1);
            assertThat(png.get(0)).isEqualToIgnoringCase(address(slug));
            if (capitals.equals("no")) {
                assertThat(png.get(0)).isEqualTo(address(slug));
            }
            assertThat(readPdf(file(base + ".pdf" + query))).isEqualTo(png);
        }
    }

    @Test
    void files_have_their_true_size() throws IOException {
        String base = "/codes/" + id(slugs.get(0));
        String svg = new String(file(base + ".svg?side=29&under=both"), StandardCharsets.UTF_8);
        int modules = Integer.parseInt(svg.replaceFirst("(?s)^.*viewBox=\"0 0 (\\d+) .*$", "$1"));
        double across = 29.0 / (modules - 8) * modules;
        assertThat(svg)
                .contains("width=\"%.3fmm\"".formatted(across), "height=\"%.3fmm\"".formatted(across + 2 * 3.6))
                .contains("Sign · Spring</text>", tenant.host() + ":" + port + "/" + slugs.get(0) + "</text>");
        assertThat(new String(file("/codes/" + id(slugs.get(1)) + ".svg?under=name"), StandardCharsets.UTF_8))
                .contains("Łódź café &lt;b&gt; · Spring");
        try (PDDocument pdf = Loader.loadPDF(file(base + ".pdf?side=29&under=nothing"))) {
            assertThat(pdf.getPage(0).getMediaBox().getWidth() / POINTS_PER_MILLIMETRE)
                    .isCloseTo(across, within(0.01));
        }
        byte[] png = file(base + ".png?side=29&under=nothing&dpi=300");
        int pixels = ImageIO.read(new ByteArrayInputStream(png)).getWidth();
        // The pHYs chunk of a PNG (PNG specification, 11.3.4.3): pixels a metre, across.
        int at = new String(png, StandardCharsets.ISO_8859_1).indexOf("pHYs") + 4;
        int perMetre = java.nio.ByteBuffer.wrap(png, at, 4).getInt();
        assertThat(pixels * 1000.0 / perMetre).isCloseTo(across, within(0.05));
        assertThat(perMetre * 0.0254).isCloseTo(300, within(30.0));
    }

    @ParameterizedTest
    @CsvSource({
        "a4-24, 210, 297, 24, 1, 20",
        "a4-12, 210, 297, 12, 1, 30",
        "a5-6, 148, 210, 6, 1, 30",
        "a6-1, 105, 148, 1, 6, 60",
        "a4-1, 210, 297, 1, 6, 130",
        "a5-1, 148, 210, 1, 6, 90"
    })
    void sheets_hold_every_code_as_often_as_wanted(
            String sheet, double width, double height, int cells, int pages, String side) throws IOException {
        String wanted = slugs.stream().map(slug -> "&link=" + id(slug)).collect(Collectors.joining());
        byte[] pdf = file("/codes/sheet.pdf?copies=2&side=" + side + "&sheet=" + sheet + wanted);
        try (PDDocument document = Loader.loadPDF(pdf)) {
            assertThat(document.getNumberOfPages()).isEqualTo(pages);
            assertThat(document.getPage(0).getMediaBox().getWidth() / POINTS_PER_MILLIMETRE)
                    .isCloseTo(width, within(0.01));
            assertThat(document.getPage(0).getMediaBox().getHeight() / POINTS_PER_MILLIMETRE)
                    .isCloseTo(height, within(0.01));
            assertThat(new PDFTextStripper().getText(document))
                    .contains(tenant.host() + ":" + port + "/" + slugs.get(2));
        }
        List<String> expected = new ArrayList<>();
        slugs.forEach(slug -> expected.addAll(
                List.of(address(slug).toLowerCase(), address(slug).toLowerCase())));
        assertThat(readPdf(pdf).stream().map(String::toLowerCase)).containsExactlyInAnyOrderElementsOf(expected);
        assertThat(person.get("/codes?copies=2&side=" + side + "&sheet=" + sheet + wanted)
                        .body())
                .contains(pages == 1 ? "1 page, at true size" : pages + " pages, at true size");
        assertThat(cells * pages).isGreaterThanOrEqualTo(6);
    }

    @Test
    void labels_by_their_measurements_are_refused_where_they_cannot_be() {
        String link = "&link=" + id(slugs.get(0));
        String own =
                "/codes?sheet=own&paperWidth=100&paperHeight=50&columns=2&rows=1&cellWidth=50&cellHeight=50&marginLeft=0&marginTop=0&gapAcross=%s&gapDown=0&side=%s"
                        + link;
        assertThat(person.get(own.formatted("0", "20,5")).body()).contains("Sheet as PDF", "value=\"20,5\"");
        assertThat(person.get(own.formatted("1", "20")).body())
                .contains("The columns need 101 mm, but the paper has 100 mm.")
                .doesNotContain("Sheet as PDF");
        assertThat(person.get(own.formatted("wide", "20")).body()).contains("Enter all measurements in millimetres");
        String large = person.get(own.formatted("0", "49")).body();
        assertThat(large)
                .contains("this sheet has 50 × 50 mm for it", "A side of")
                .doesNotContain("Sheet as PDF");
        String fits = large.replaceFirst("(?s)^.*A side of ([0-9.]+) mm would fit.*$", "$1");
        assertThat(person.get(own.formatted("0", fits)).body()).contains("Sheet as PDF");
        assertThat(person.get(own.formatted("0", "49").replace("/codes?", "/codes/sheet.pdf?"))
                        .statusCode())
                .isEqualTo(422);
    }

    @Test
    void the_page_computes_what_print_needs_and_keeps_nonsense_to_be_corrected() {
        String page = "/codes?link=" + id(slugs.get(0));
        assertThat(person.get(page + "&side=100").body()).contains("Reading distance</dt>", "1 m<", "% may be lost");
        assertThat(person.get(page + "&side=9").body()).contains("too small to print; at least 0.4 mm");
        String refused =
                person.get(page + "&side=huge&copies=0&correction=Z&under=x").body();
        assertThat(refused)
                .contains("Enter a number from 8 to 1000.", "value=\"huge\"", "Enter a number from 1 to 400.");
        assertThat(person.get("/codes").statusCode()).isEqualTo(404);
        HttpResponse<String> chosen =
                person.form("/links", "/codes", "link", id(slugs.get(0)).toString());
        assertThat(chosen.headers().firstValue("Location").orElseThrow()).endsWith(page);
    }

    private HttpResponse<String> keepMark(byte[] file) {
        return person.upload("/setup/appearance", "/setup/appearance/logo", new Http.Sent("logo", "image/png", file));
    }

    @Test
    void a_mark_stands_in_the_middle_only_where_the_code_still_reads() throws IOException {
        String base = "/codes/" + id(slugs.get(0));
        assertThat(person.get("/codes?mark=yes&link=" + id(slugs.get(0))).body())
                .contains("There is no logo yet");
        BufferedImage mark = new BufferedImage(90, 60, BufferedImage.TYPE_INT_RGB);
        var graphics = mark.createGraphics();
        graphics.setColor(new java.awt.Color(20, 60, 120));
        graphics.fillOval(5, 5, 80, 50);
        graphics.dispose();
        ByteArrayOutputStream png = new ByteArrayOutputStream();
        ImageIO.write(mark, "png", png);
        assertThat(keepMark(png.toByteArray()).statusCode()).isEqualTo(302);
        for (String correction : List.of("Q", "H")) {
            String query = "?mark=yes&under=nothing&side=40&correction=" + correction;
            assertThat(read(ImageIO.read(new ByteArrayInputStream(file(base + ".png" + query)))))
                    .singleElement()
                    .asString()
                    .isEqualToIgnoringCase(address(slugs.get(0)));
            assertThat(readPdf(file(base + ".pdf" + query))).hasSize(1);
            assertThat(new String(file(base + ".svg" + query), StandardCharsets.UTF_8))
                    .contains("data:image/png;base64,");
        }
        assertThat(person.get(base + ".png?mark=yes&correction=M").statusCode()).isEqualTo(422);
        assertThat(person.get("/codes?mark=yes&correction=M&link=" + id(slugs.get(0)))
                        .body())
                .contains("A logo needs correction Q or H");
        keepMark("no picture".getBytes(StandardCharsets.UTF_8));
        assertThat(count(tenant, "select count(*) from logo")).isOne();
        person.form("/setup/appearance", "/setup/appearance/logo/remove");
        assertThat(count(tenant, "select count(*) from logo")).isZero();
    }
}
