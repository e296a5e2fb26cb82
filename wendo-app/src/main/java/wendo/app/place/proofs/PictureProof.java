package wendo.app.place.proofs;

import java.awt.image.BufferedImage;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
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
                .orElseGet(
                        () -> bad("No code can be made out. Is all of it in the picture, with the light rim around it,"
                                + " in focus and without glare?"));
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
                String.format(
                        Locale.ROOT,
                        reading.hasEnoughPixels()
                                ? "Its modules have %.1f pixels each: enough to be read with ease."
                                : "Its modules have %.1f pixels each: too few. Take it from nearer, or save it larger.",
                        reading.pixelsPerModule())));
        double moduleAtPrint = reading.pixelsPerModule() / PRINT_DPI * MILLIMETRES_PER_INCH;
        lines.add(new Line(
                true,
                String.format(
                        Locale.ROOT,
                        "Printed from this very picture at %d dpi, its side is %.0f mm; print it no smaller than %.0f mm.",
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
