package wendo.app.issue.sharecards;

import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.HexFormat;
import java.util.Optional;
import javax.imageio.IIOImage;
import javax.imageio.ImageIO;
import javax.imageio.ImageWriteParam;
import javax.imageio.ImageWriter;
import javax.imageio.stream.ImageOutputStream;
import wendo.app.platform.site.Picture;
import wendo.core.links.ShareCard;

/**
 * The picture of a card as programs fetch it: a JPEG cut to the usual shape around its middle, never drawn larger than it
 * was, and under 300 KB.
 *
 * @param key changes with the picture
 */
record SharePicture(byte[] jpeg, String key) {
    static final int MAX_BYTES = 300_000;

    /** A picture that people bring. */
    static final int MAX_FILE = 5 * 1024 * 1024;

    private static final float BEST = 0.86f;
    private static final float STEP = 0.08f;
    private static final float LEAST = 0.3f;
    private static final double SMALLER = 0.8;
    private static final int KEY_BYTES = 8;

    /** Empty if the file is no picture that can be read. */
    static Optional<SharePicture> of(byte[] file) {
        return file.length == 0 || file.length > MAX_FILE
                ? Optional.empty()
                : Picture.find(file).map(SharePicture::fitting);
    }

    private static SharePicture fitting(BufferedImage image) {
        for (double scale = 1; ; scale *= SMALLER) {
            BufferedImage cut = cut(image, scale);
            for (float quality = BEST; quality >= LEAST; quality -= STEP) {
                byte[] jpeg = jpeg(cut, quality);
                if (jpeg.length < MAX_BYTES) {
                    return new SharePicture(jpeg, key(jpeg));
                }
            }
        }
    }

    private static BufferedImage cut(BufferedImage image, double scale) {
        double shape = (double) ShareCard.PICTURE_WIDTH / ShareCard.PICTURE_HEIGHT;
        int width = (int) Math.min(image.getWidth(), Math.round(image.getHeight() * shape));
        int height = (int) Math.min(image.getHeight(), Math.max(1, Math.round(width / shape)));
        int left = (image.getWidth() - width) / 2;
        int top = (image.getHeight() - height) / 2;
        double drawn = scale * Math.min(1, (double) ShareCard.PICTURE_WIDTH / width);
        int across = (int) Math.max(1, Math.round(width * drawn));
        int down = (int) Math.max(1, Math.round(height * drawn));
        BufferedImage cut = new BufferedImage(across, down, BufferedImage.TYPE_INT_RGB);
        Graphics2D graphics = cut.createGraphics();
        graphics.setColor(Color.WHITE); // JPEG knows no transparency
        graphics.fillRect(0, 0, across, down);
        graphics.setRenderingHint(RenderingHints.KEY_INTERPOLATION, RenderingHints.VALUE_INTERPOLATION_BICUBIC);
        graphics.drawImage(image, 0, 0, across, down, left, top, left + width, top + height, null);
        graphics.dispose();
        return cut;
    }

    private static byte[] jpeg(BufferedImage image, float quality) {
        ImageWriter writer = ImageIO.getImageWritersByFormatName("jpeg").next();
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try (ImageOutputStream out = ImageIO.createImageOutputStream(bytes)) {
            ImageWriteParam param = writer.getDefaultWriteParam();
            param.setCompressionMode(ImageWriteParam.MODE_EXPLICIT);
            param.setCompressionQuality(quality);
            writer.setOutput(out);
            writer.write(null, new IIOImage(image, null, null), param);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        } finally {
            writer.dispose();
        }
        return bytes.toByteArray();
    }

    private static String key(byte[] jpeg) {
        try {
            byte[] hash = MessageDigest.getInstance("SHA-256").digest(jpeg);
            return HexFormat.of().formatHex(hash, 0, KEY_BYTES);
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException(e);
        }
    }
}
