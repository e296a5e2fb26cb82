package wendo.app.place.proofs;

import java.awt.image.BufferedImage;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import wendo.app.issue.links.LinkListed;
import wendo.app.issue.links.LinkSaving;
import wendo.app.platform.site.Picture;
import wendo.app.platform.site.Texts;
import wendo.core.media.CodeReading;
import wendo.core.media.PrintedSize;

/** Reads a code from a picture of it, compares it with its link, and judges whether the picture would do for print. */
@Component
class PictureProof {
    static final int MAX_BYTES = 10 * 1024 * 1024;

    private static final double MILLIMETRES_PER_INCH = 25.4;
    private static final int PRINT_DPI = 300;

    private final LinkSaving links;

    PictureProof(LinkSaving links) {
        this.links = links;
    }

    /** One thing found; {@code isGood} is told by a word too. */
    record Line(boolean isGood, String text) {}

    record Judged(List<Line> lines) {
        public boolean isFine() {
            return lines.stream().allMatch(Line::isGood);
        }
    }

    @Transactional(readOnly = true)
    Judged judge(byte[] file, LinkListed link) {
        if (file.length == 0 || file.length > MAX_BYTES) {
            return bad(Texts.of("place.proofs.choose-a-picture-jpeg-or"));
        }
        Optional<BufferedImage> picture = Picture.find(file);
        if (picture.isEmpty()) {
            return bad(Texts.of("place.proofs.this-is-not-a-readable"));
        }
        BufferedImage image = picture.get();
        int[] rgb = image.getRGB(0, 0, image.getWidth(), image.getHeight(), null, 0, image.getWidth());
        return CodeReading.of(rgb, image.getWidth(), image.getHeight())
                .map(reading -> judge(reading, link))
                .orElseGet(() -> bad(Texts.of("place.proofs.no-code")));
    }

    private static Judged bad(String text) {
        return new Judged(List.of(new Line(false, text)));
    }

    private Judged judge(CodeReading reading, LinkListed link) {
        List<Line> lines = new ArrayList<>();
        String text =
                reading.text().length() <= 300 ? reading.text() : reading.text().substring(0, 300) + "…";
        boolean isThis = reading.text().strip().replaceAll("/+$", "").equalsIgnoreCase(link.url());
        lines.add(new Line(isThis, isThis ? Texts.of("place.proofs.it-reads-this-link", text) : other(text)));
        lines.add(new Line(
                reading.hasEnoughPixels(),
                Texts.of(
                        reading.hasEnoughPixels() ? "place.proofs.modules-enough" : "place.proofs.modules-few",
                        reading.pixelsPerModule())));
        double moduleAtPrint = reading.pixelsPerModule() / PRINT_DPI * MILLIMETRES_PER_INCH;
        lines.add(new Line(
                true,
                Texts.of(
                        "place.proofs.printed-size",
                        PRINT_DPI,
                        reading.modules() * moduleAtPrint,
                        reading.modules() * PrintedSize.SMALLEST_MODULE_MILLIMETRES)));
        return new Judged(lines);
    }

    private String other(String text) {
        return links.findPasted(text)
                .flatMap(links::find)
                .filter(found -> text.strip().equalsIgnoreCase(found.url()))
                .map(found -> Texts.of("place.proofs.it-reads-another-link-of", text, found.name()))
                .orElse(Texts.of("place.proofs.it-reads-not-a-link", text));
    }
}
