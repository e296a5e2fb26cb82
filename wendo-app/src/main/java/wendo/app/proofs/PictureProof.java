package wendo.app.proofs;

import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.util.ArrayList;
import java.util.Iterator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import javax.imageio.ImageIO;
import javax.imageio.ImageReadParam;
import javax.imageio.ImageReader;
import javax.imageio.stream.ImageInputStream;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import wendo.app.links.LinkKeeping;
import wendo.app.links.LinkListed;
import wendo.core.media.CodeReading;
import wendo.core.media.PrintedSize;

/** Reads a code from a picture of it, compares it with its link, and judges whether the picture would do for print. */
@Component
class PictureProof {
    static final int MAX_BYTES = 10 * 1024 * 1024;

    /** A picture of a few kilobytes can claim to be enormous; larger ones are read with fewer points. */
    private static final long MAX_PIXELS = 12_000_000;

    private static final long MAX_CLAIMED_PIXELS = 400_000_000;
    private static final double MILLIMETRES_PER_INCH = 25.4;
    private static final int PRINT_DPI = 300;
    private static final Set<String> FORMATS = Set.of("jpeg", "png");

    private final LinkKeeping links;

    PictureProof(LinkKeeping links) {
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
            return bad("Choose a picture, JPEG or PNG, of up to 10 MB.");
        }
        Optional<BufferedImage> picture = read(file);
        if (picture.isEmpty()) {
            return bad("This is no JPEG or PNG picture that can be read.");
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
        lines.add(new Line(isThis, isThis ? "It reads %s: this link.".formatted(text) : other(text)));
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
                .map(found -> "It reads %s: another link of yours, %s.".formatted(text, found.name()))
                .orElse("It reads %s: no link of yours.".formatted(text));
    }

    private static Optional<BufferedImage> read(byte[] file) {
        try (ImageInputStream in = ImageIO.createImageInputStream(new ByteArrayInputStream(file))) {
            Iterator<ImageReader> readers = ImageIO.getImageReaders(in);
            if (!readers.hasNext()) {
                return Optional.empty();
            }
            ImageReader reader = readers.next();
            try {
                reader.setInput(in, true, true);
                return FORMATS.contains(reader.getFormatName().toLowerCase(Locale.ROOT))
                        ? read(reader)
                        : Optional.empty();
            } finally {
                reader.dispose();
            }
        } catch (IOException | RuntimeException e) { // readers throw many kinds at a damaged file
            return Optional.empty();
        }
    }

    private static Optional<BufferedImage> read(ImageReader reader) throws IOException {
        long pixels = (long) reader.getWidth(0) * reader.getHeight(0);
        if (pixels > MAX_CLAIMED_PIXELS) {
            return Optional.empty();
        }
        int step = (int) Math.ceil(Math.sqrt(pixels / (double) MAX_PIXELS));
        ImageReadParam param = reader.getDefaultReadParam();
        param.setSourceSubsampling(Math.max(1, step), Math.max(1, step), 0, 0);
        return Optional.of(reader.read(0, param));
    }
}
