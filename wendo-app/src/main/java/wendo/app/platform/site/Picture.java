package wendo.app.platform.site;

import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.util.Iterator;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import javax.imageio.ImageIO;
import javax.imageio.ImageReadParam;
import javax.imageio.ImageReader;
import javax.imageio.stream.ImageInputStream;

/** Pictures that people bring, JPEG or PNG. */
public final class Picture {
    /** A picture of a few kilobytes can claim to be enormous; larger ones are read with fewer points. */
    private static final long MAX_PIXELS = 12_000_000;

    private static final long MAX_CLAIMED_PIXELS = 400_000_000;
    private static final Set<String> FORMATS = Set.of("jpeg", "png");

    private Picture() {}

    /** Empty if it is none that can be read. */
    public static Optional<BufferedImage> find(byte[] file) {
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
        int step = Math.max(1, (int) Math.ceil(Math.sqrt(pixels / (double) MAX_PIXELS)));
        ImageReadParam param = reader.getDefaultReadParam();
        param.setSourceSubsampling(step, step, 0, 0);
        return Optional.of(reader.read(0, param));
    }
}
