package wendo.app.issue.sharecards;

import static org.assertj.core.api.Assertions.assertThat;

import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.Random;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import wendo.app.platform.site.Picture;

class SharePictureTest {
    private static byte[] png(BufferedImage image) {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try {
            ImageIO.write(image, "png", bytes);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return bytes.toByteArray();
    }

    private static BufferedImage cut(BufferedImage image) {
        return Picture.find(SharePicture.of(png(image)).orElseThrow().jpeg()).orElseThrow();
    }

    /** 1.91 to 1, at most 1200 by 630, and never larger than it was. */
    @ParameterizedTest
    @CsvSource({
        "1200, 630, 1200, 630",
        "2400, 2400, 1200, 630",
        "4000, 500, 955, 500",
        "300, 300, 300, 158",
        "1, 1, 1, 1"
    })
    void a_picture_is_cut_to_the_usual_shape(int width, int height, int across, int down) {
        BufferedImage drawn = cut(new BufferedImage(width, height, BufferedImage.TYPE_INT_RGB));
        assertThat(drawn.getWidth()).isBetween(across - 3, across + 3);
        assertThat(drawn.getHeight()).isBetween(down - 3, down + 3);
    }

    @Test
    void its_middle_stays_and_what_is_see_through_is_white() {
        BufferedImage tall = new BufferedImage(600, 1200, BufferedImage.TYPE_INT_ARGB);
        Graphics2D graphics = tall.createGraphics();
        graphics.setColor(Color.RED);
        graphics.fillRect(200, 500, 200, 200);
        graphics.dispose();
        BufferedImage drawn = cut(tall);
        assertThat(new Color(drawn.getRGB(drawn.getWidth() / 2, drawn.getHeight() / 2)).getRed())
                .isGreaterThan(200);
        assertThat(new Color(drawn.getRGB(5, 5)).getBlue()).isGreaterThan(245);
    }

    /** Noise is what JPEG can do least about. */
    @Test
    void it_weighs_less_than_300_kilobytes_whatever_it_shows() {
        BufferedImage noise = new BufferedImage(1200, 630, BufferedImage.TYPE_INT_RGB);
        Random random = new Random(7);
        for (int x = 0; x < 1200; x++) {
            for (int y = 0; y < 630; y++) {
                noise.setRGB(x, y, random.nextInt());
            }
        }
        SharePicture picture = SharePicture.of(png(noise)).orElseThrow();
        assertThat(picture.jpeg()).hasSizeLessThan(300_000);
        assertThat(picture.key()).matches("[0-9a-f]{16}");
    }

    @Test
    void what_is_no_picture_is_none() {
        assertThat(SharePicture.of(new byte[0])).isEmpty();
        assertThat(SharePicture.of("<svg/>".getBytes(java.nio.charset.StandardCharsets.UTF_8)))
                .isEmpty();
        assertThat(SharePicture.of(new byte[SharePicture.MAX_FILE + 1])).isEmpty();
    }
}
