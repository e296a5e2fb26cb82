package wendo.app.place.codes;

import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.image.BufferedImage;
import java.time.Clock;
import java.time.Instant;
import java.util.Optional;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import wendo.app.platform.site.Picture;
import wendo.core.media.CodeReading;
import wendo.core.media.QrCode;

/** The business's mark, for the middle of its codes and the top of its forms. */
@Service
public class Marks {
    static final int MAX_BYTES = 2 * 1024 * 1024;
    private static final int SIDE = 480;
    private static final int PIXELS_A_MODULE = 6;

    private final CodeMarkRepository repository;
    private final Clock clock;

    Marks(CodeMarkRepository repository, Clock clock) {
        this.repository = repository;
        this.clock = clock;
    }

    @Transactional(readOnly = true)
    public boolean isThere() {
        return repository.count() > 0;
    }

    @Transactional(readOnly = true)
    Optional<byte[]> find() {
        return repository.findFirstBy().map(CodeMark::png);
    }

    @Transactional(readOnly = true)
    Optional<BufferedImage> picture() {
        return find().flatMap(Picture::find);
    }

    /** Keeps a picture as a square PNG; false if it is none that can be read. */
    @Transactional
    boolean keep(byte[] file) {
        Optional<BufferedImage> picture =
                file.length == 0 || file.length > MAX_BYTES ? Optional.empty() : Picture.find(file);
        picture.ifPresent(image -> keep(CodeImage.png(square(image), 0), clock.instant()));
        return picture.isPresent();
    }

    private void keep(byte[] png, Instant now) {
        CodeMark mark = repository.findFirstBy().orElseGet(() -> new CodeMark(png, now));
        mark.become(png, now);
        repository.save(mark);
    }

    @Transactional
    void remove() {
        repository.deleteAll();
    }

    /** Whether a code with this mark in its middle reads back as what it was made from. */
    static boolean isReadable(QrCode code, BufferedImage mark) {
        BufferedImage drawn = CodeImage.draw(code, PIXELS_A_MODULE, Optional.of(mark));
        int side = drawn.getWidth();
        return CodeReading.of(drawn.getRGB(0, 0, side, side, null, 0, side), side, side)
                .filter(reading -> reading.text().equals(code.content()))
                .isPresent();
    }

    private static BufferedImage square(BufferedImage image) {
        double scale = (double) SIDE / Math.max(image.getWidth(), image.getHeight());
        int width = Math.max(1, (int) Math.round(image.getWidth() * scale));
        int height = Math.max(1, (int) Math.round(image.getHeight() * scale));
        BufferedImage square = new BufferedImage(SIDE, SIDE, BufferedImage.TYPE_INT_RGB);
        Graphics2D graphics = square.createGraphics();
        graphics.setColor(java.awt.Color.WHITE);
        graphics.fillRect(0, 0, SIDE, SIDE);
        graphics.setRenderingHint(RenderingHints.KEY_INTERPOLATION, RenderingHints.VALUE_INTERPOLATION_BICUBIC);
        graphics.drawImage(image, (SIDE - width) / 2, (SIDE - height) / 2, width, height, null);
        graphics.dispose();
        return square;
    }
}
