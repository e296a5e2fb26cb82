package wendo.app.money.exchange;

import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.time.Clock;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import javax.imageio.ImageIO;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import wendo.app.platform.site.Picture;

/** Texts and pictures that the business gives its partners. Pictures are drawn anew, so nothing hides in them. */
@Service
public class Materials {
    static final int MAX_FILE = 5 * 1024 * 1024;
    private static final int MAX_SIDE = 2_000;

    private final PartnerMaterialRepository repository;
    private final Clock clock;

    Materials(PartnerMaterialRepository repository, Clock clock) {
        this.repository = repository;
        this.clock = clock;
    }

    /** Material that is not kept yet. */
    record Draft(String title, String body, Optional<byte[]> jpeg) {}

    /** Material of one partner, or of all. */
    public record Shown(UUID id, boolean isForAll, String title, String body, boolean hasPicture) {}

    @Transactional(readOnly = true)
    public List<Shown> of(UUID partner) {
        return repository.findFor(partner).stream().map(PartnerMaterial::shown).toList();
    }

    /** As a JPEG. */
    @Transactional(readOnly = true)
    public Optional<byte[]> picture(UUID partner, UUID id) {
        return repository.findById(id).filter(one -> one.isFor(partner)).flatMap(PartnerMaterial::picture);
    }

    @Transactional
    void add(Optional<UUID> partner, Draft draft, String by) {
        repository.save(new PartnerMaterial(partner, draft, clock.instant(), by));
    }

    @Transactional
    void remove(UUID partner, UUID id) {
        repository.findById(id).filter(one -> one.isFor(partner)).ifPresent(repository::delete);
    }

    /** Empty if the file is no picture that can be read. */
    static Optional<byte[]> jpeg(byte[] file) {
        return file.length > MAX_FILE ? Optional.empty() : Picture.find(file).map(Materials::drawn);
    }

    private static byte[] drawn(BufferedImage image) {
        double scale = Math.min(1, MAX_SIDE / (double) Math.max(image.getWidth(), image.getHeight()));
        int width = Math.max(1, (int) Math.round(image.getWidth() * scale));
        int height = Math.max(1, (int) Math.round(image.getHeight() * scale));
        BufferedImage drawn = new BufferedImage(width, height, BufferedImage.TYPE_INT_RGB);
        Graphics2D graphics = drawn.createGraphics();
        graphics.setRenderingHint(RenderingHints.KEY_INTERPOLATION, RenderingHints.VALUE_INTERPOLATION_BICUBIC);
        graphics.drawImage(image, 0, 0, width, height, Color.WHITE, null);
        graphics.dispose();
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try {
            ImageIO.write(drawn, "jpeg", out);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return out.toByteArray();
    }
}
