package wendo.standins;

import java.awt.Color;
import java.awt.GradientPaint;
import java.awt.Graphics2D;
import java.awt.Polygon;
import java.awt.RenderingHints;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import javax.imageio.ImageIO;

/** The picture of the website: a boat on the bay off Marram Point. */
final class DrawnBay {
    private static final int WIDTH = 1200;
    private static final int HEIGHT = 630;
    private static final int WATERLINE = 400;
    private static final int WAVES = 7;

    private DrawnBay() {}

    static byte[] png() throws IOException {
        BufferedImage bay = new BufferedImage(WIDTH, HEIGHT, BufferedImage.TYPE_INT_RGB);
        Graphics2D graphics = bay.createGraphics();
        graphics.setRenderingHint(RenderingHints.KEY_ANTIALIASING, RenderingHints.VALUE_ANTIALIAS_ON);
        graphics.setPaint(new GradientPaint(0, 0, new Color(0x9cc4cf), 0, WATERLINE, new Color(0xf3ead2)));
        graphics.fillRect(0, 0, WIDTH, WATERLINE);
        graphics.setPaint(new GradientPaint(0, WATERLINE, new Color(0x2f7f86), 0, HEIGHT, new Color(0x114b56)));
        graphics.fillRect(0, WATERLINE, WIDTH, HEIGHT - WATERLINE);
        graphics.setColor(new Color(0xc9b27c));
        graphics.fillPolygon(new Polygon(
                new int[] {760, 880, 1010, 1120, WIDTH, WIDTH},
                new int[] {WATERLINE, 352, 366, 322, 340, WATERLINE},
                6));
        graphics.setColor(new Color(0x5f95a0));
        for (int wave = 0; wave < WAVES; wave++) {
            graphics.fillRoundRect(90 + wave * 317 % 1000, 440 + wave * 27, 90 + wave * 16, 5, 5, 5);
        }
        boat(graphics);
        graphics.dispose();
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        ImageIO.write(bay, "png", bytes);
        return bytes.toByteArray();
    }

    private static void boat(Graphics2D graphics) {
        graphics.setColor(new Color(0xfffdf8));
        graphics.fillPolygon(new Polygon(new int[] {452, 452, 300}, new int[] {110, 410, 410}, 3));
        graphics.setColor(new Color(0xd9512c));
        graphics.fillPolygon(new Polygon(new int[] {468, 468, 560}, new int[] {160, 410, 410}, 3));
        graphics.setColor(new Color(0x12343b));
        graphics.fillRect(456, 90, 8, 340);
        graphics.fillPolygon(new Polygon(new int[] {280, 600, 548, 330}, new int[] {424, 424, 478, 478}, 4));
    }
}
