package wendo.app.platform.appearance;

import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.time.Clock;
import java.time.Instant;
import java.util.Optional;
import javax.imageio.ImageIO;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import wendo.app.platform.site.Picture;

/** The business's logo: on its public pages, and in the middle of its codes. */
@Service
public class Logos {
    static final int MAX_BYTES = 2 * 1024 * 1024;
    private static final int SIDE = 480;

    private final LogoRepository repository;
    private final Clock clock;

    Logos(LogoRepository repository, Clock clock) {
        this.repository = repository;
        this.clock = clock;
    }

    @Transactional(readOnly = true)
    public boolean isThere() {
        return repository.count() > 0;
    }

    /** As a square PNG. */
    @Transactional(readOnly = true)
    public Optional<byte[]> find() {
        return repository.findFirstBy().map(StoredLogo::png);
    }

    @Transactional(readOnly = true)
    public Optional<BufferedImage> picture() {
        return find().flatMap(Picture::find);
    }

    /** A picture as a square PNG; empty if it is none that can be read. */
    public static Optional<byte[]> squared(byte[] file) {
        return file.length == 0 || file.length > MAX_BYTES
                ? Optional.empty()
                : Picture.find(file).map(image -> png(square(image)));
    }

    /** Keeps a picture as a square PNG; false if it is none that can be read. */
    @Transactional
    public boolean keep(byte[] file) {
        Optional<byte[]> png = squared(file);
        png.ifPresent(logo -> keep(logo, clock.instant()));
        return png.isPresent();
    }

    private void keep(byte[] png, Instant now) {
        StoredLogo logo = repository.findFirstBy().orElseGet(() -> new StoredLogo(png, now));
        logo.become(png, now);
        repository.save(logo);
    }

    @Transactional
    public void remove() {
        repository.deleteAll();
    }

    private static byte[] png(BufferedImage image) {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try {
            ImageIO.write(image, "png", out);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return out.toByteArray();
    }

    private static BufferedImage square(BufferedImage image) {
        double scale = (double) SIDE / Math.max(image.getWidth(), image.getHeight());
        int width = Math.max(1, (int) Math.round(image.getWidth() * scale));
        int height = Math.max(1, (int) Math.round(image.getHeight() * scale));
        BufferedImage square = new BufferedImage(SIDE, SIDE, BufferedImage.TYPE_INT_RGB);
        Graphics2D graphics = square.createGraphics();
        graphics.setColor(Color.WHITE);
        graphics.fillRect(0, 0, SIDE, SIDE);
        graphics.setRenderingHint(RenderingHints.KEY_INTERPOLATION, RenderingHints.VALUE_INTERPOLATION_BICUBIC);
        graphics.drawImage(image, (SIDE - width) / 2, (SIDE - height) / 2, width, height, null);
        graphics.dispose();
        return square;
    }
}
