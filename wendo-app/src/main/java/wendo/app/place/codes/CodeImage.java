package wendo.app.place.codes;

import java.awt.Color;
import java.awt.Font;
import java.awt.FontFormatException;
import java.awt.Graphics2D;
import java.awt.Rectangle;
import java.awt.RenderingHints;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.Objects;
import java.util.Optional;
import javax.imageio.IIOImage;
import javax.imageio.ImageIO;
import javax.imageio.ImageTypeSpecifier;
import javax.imageio.ImageWriter;
import javax.imageio.metadata.IIOMetadata;
import javax.imageio.metadata.IIOMetadataNode;
import javax.imageio.stream.ImageOutputStream;
import wendo.core.media.CodeReading;
import wendo.core.media.CodeSvg;
import wendo.core.media.QrCode;

/** A code as pixels: whole ones for each module, so that no edge blurs. */
final class CodeImage {
    private static final double MILLIMETRES_PER_INCH = 25.4;

    /** Of each module, when it is tried whether a code reads back. */
    private static final int READ_PIXELS = 6;

    private static final Font FONT = font();

    private CodeImage() {}

    /** Whether a code with this mark in its middle reads back as what it was made from. */
    static boolean isReadable(QrCode code, BufferedImage mark) {
        BufferedImage drawn = draw(code, READ_PIXELS, Optional.of(mark));
        int side = drawn.getWidth();
        return CodeReading.of(drawn.getRGB(0, 0, side, side, null, 0, side), side, side)
                .filter(reading -> reading.text().equals(code.content()))
                .isPresent();
    }

    static BufferedImage draw(QrCode code, int pixelsPerModule, Optional<BufferedImage> mark) {
        int side = code.modulesAcross() * pixelsPerModule;
        BufferedImage image = new BufferedImage(side, side, BufferedImage.TYPE_INT_RGB);
        Graphics2D graphics = image.createGraphics();
        graphics.setColor(Color.WHITE);
        graphics.fillRect(0, 0, side, side);
        graphics.setColor(Color.BLACK);
        for (QrCode.Run run : code.runs()) {
            graphics.fillRect(
                    (run.column() + QrCode.QUIET_ZONE) * pixelsPerModule,
                    (run.row() + QrCode.QUIET_ZONE) * pixelsPerModule,
                    run.length() * pixelsPerModule,
                    pixelsPerModule);
        }
        mark.ifPresent(picture -> drawMark(graphics, code, pixelsPerModule, picture));
        graphics.dispose();
        return image;
    }

    private static void drawMark(Graphics2D graphics, QrCode code, int pixelsPerModule, BufferedImage mark) {
        int side = code.correction().markModules(code.modules()) * pixelsPerModule;
        int at = (code.modulesAcross() * pixelsPerModule - side) / 2;
        graphics.setColor(Color.WHITE);
        graphics.fillRect(at, at, side, side);
        int rim = Math.max(1, pixelsPerModule / 2);
        graphics.setRenderingHint(RenderingHints.KEY_INTERPOLATION, RenderingHints.VALUE_INTERPOLATION_BICUBIC);
        graphics.drawImage(mark, at + rim, at + rim, side - 2 * rim, side - 2 * rim, null);
    }

    /** A PNG that says how large it is, at this resolution or the nearest one that whole pixels allow. */
    static byte[] png(DrawnCode code, int dpi, Optional<BufferedImage> mark) {
        double module = code.size().moduleMillimetres();
        int pixels = Math.max(1, (int) Math.round(module / MILLIMETRES_PER_INCH * dpi));
        int line = (int) Math.round(CodeSvg.LINE_MILLIMETRES / module * pixels);
        BufferedImage drawn = draw(code.code(), pixels, mark);
        BufferedImage image = new BufferedImage(
                drawn.getWidth(), drawn.getHeight() + line * code.captions().size(), BufferedImage.TYPE_INT_RGB);
        Graphics2D graphics = image.createGraphics();
        graphics.setColor(Color.WHITE);
        graphics.fillRect(0, 0, image.getWidth(), image.getHeight());
        graphics.drawImage(drawn, 0, 0, null);
        graphics.setColor(Color.BLACK);
        graphics.setRenderingHint(RenderingHints.KEY_TEXT_ANTIALIASING, RenderingHints.VALUE_TEXT_ANTIALIAS_ON);
        for (int i = 0; i < code.captions().size(); i++) {
            Rectangle at = new Rectangle(0, drawn.getHeight() + i * line, image.getWidth(), line);
            caption(graphics, code.captions().get(i), at);
        }
        graphics.dispose();
        return png(image, (int) Math.round(pixels / module * 1000));
    }

    /** Centred; letters shrink to fit. */
    private static void caption(Graphics2D graphics, String text, Rectangle at) {
        Font font = FONT.deriveFont(at.height * 0.78f);
        int needed = graphics.getFontMetrics(font).stringWidth(text);
        if (needed > at.width) {
            font = font.deriveFont(font.getSize2D() * at.width / needed);
        }
        graphics.setFont(font);
        graphics.drawString(
                text,
                (at.width - graphics.getFontMetrics(font).stringWidth(text)) / 2,
                at.y + (int) (at.height * 0.78));
    }

    private static Font font() {
        try (InputStream in = Objects.requireNonNull(CodeImage.class.getResourceAsStream("/data/print-400.ttf"))) {
            return Font.createFont(Font.TRUETYPE_FONT, in);
        } catch (IOException | FontFormatException e) {
            throw new IllegalStateException("The font for print is missing", e);
        }
    }

    static byte[] png(BufferedImage image, int pixelsPerMetre) {
        ImageWriter writer = ImageIO.getImageWritersByFormatName("png").next();
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try (ImageOutputStream out = ImageIO.createImageOutputStream(bytes)) {
            writer.setOutput(out);
            IIOMetadata metadata = writer.getDefaultImageMetadata(
                    ImageTypeSpecifier.createFromRenderedImage(image), writer.getDefaultWriteParam());
            IIOMetadataNode root = new IIOMetadataNode("javax_imageio_png_1.0");
            IIOMetadataNode resolution = new IIOMetadataNode("pHYs");
            resolution.setAttribute("pixelsPerUnitXAxis", String.valueOf(pixelsPerMetre));
            resolution.setAttribute("pixelsPerUnitYAxis", String.valueOf(pixelsPerMetre));
            resolution.setAttribute("unitSpecifier", "meter");
            root.appendChild(resolution);
            metadata.mergeTree("javax_imageio_png_1.0", root);
            writer.write(metadata, new IIOImage(image, null, metadata), null);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        } finally {
            writer.dispose();
        }
        return bytes.toByteArray();
    }
}
