package wendo.core.media;

import com.google.zxing.EncodeHintType;
import com.google.zxing.WriterException;
import com.google.zxing.qrcode.decoder.Mode;
import com.google.zxing.qrcode.encoder.ByteMatrix;
import com.google.zxing.qrcode.encoder.Encoder;
import com.google.zxing.qrcode.encoder.QRCode;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import wendo.core.text.Refused;

/**
 * A QR code of ISO/IEC 18004: square, of dark and light modules, in the smallest version that holds its text.
 */
public final class QrCode {
    /** Light modules that must surround a code on every side: ISO/IEC 18004, section 9.1. */
    public static final int QUIET_ZONE = 4;

    private final String content;
    private final Correction correction;
    private final QRCode encoded;

    private QrCode(String content, Correction correction, QRCode encoded) {
        this.content = content;
        this.correction = correction;
        this.encoded = encoded;
    }

    public static QrCode of(String content, Correction correction) {
        try {
            return new QrCode(content, correction, Encoder.encode(content, correction.level(), hints(content)));
        } catch (WriterException e) {
            Refused refused = new Refused("media.code-full", correction, content.length());
            refused.initCause(e);
            throw refused;
        }
    }

    /** Naming a character set costs room; plain letters read the same in all of them. */
    private static Map<EncodeHintType, ?> hints(String content) {
        boolean isPlain = content.chars().allMatch(c -> c < 0x80);
        return isPlain ? Map.of() : Map.of(EncodeHintType.CHARACTER_SET, "UTF-8");
    }

    /**
     * The address in capitals, if that makes the same code smaller; else as it is. Scheme and host mean the same in
     * either case (RFC 3986, section 6.2.2.1), and so does the slug of a link.
     */
    public static String smallest(String linkAddress, Correction correction) {
        String capitals = linkAddress.toUpperCase(Locale.ROOT);
        return of(capitals, correction).modules() < of(linkAddress, correction).modules() ? capitals : linkAddress;
    }

    public String content() {
        return content;
    }

    public Correction correction() {
        return correction;
    }

    /** 1 to 40; a code of version v has 17 + 4v modules a side. */
    public int version() {
        return encoded.getVersion().getVersionNumber();
    }

    /** True if the text stands in the alphanumeric mode, which has capitals only and packs them closer. */
    public boolean isCompact() {
        return encoded.getMode() == Mode.ALPHANUMERIC;
    }

    /** Modules a side, without the quiet zone. */
    public int modules() {
        return encoded.getMatrix().getWidth();
    }

    /** Modules a side, with the quiet zone. */
    public int modulesAcross() {
        return modules() + 2 * QUIET_ZONE;
    }

    public boolean isDark(int column, int row) {
        return encoded.getMatrix().get(column, row) == 1;
    }

    /** A dark run of modules in a row; columns and rows count from the code's own corner. */
    public record Run(int column, int row, int length) {}

    /** All dark modules, as few runs as rows allow: what is drawn. */
    public List<Run> runs() {
        List<Run> runs = new ArrayList<>();
        ByteMatrix matrix = encoded.getMatrix();
        for (int row = 0; row < matrix.getHeight(); row++) {
            int column = 0;
            while (column < matrix.getWidth()) {
                int end = column;
                while (end < matrix.getWidth() && matrix.get(end, row) == 1) {
                    end++;
                }
                if (end > column) {
                    runs.add(new Run(column, row, end - column));
                }
                column = end + 1;
            }
        }
        return runs;
    }
}
