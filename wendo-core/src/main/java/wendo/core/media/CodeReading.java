package wendo.core.media;

import com.google.zxing.Binarizer;
import com.google.zxing.BinaryBitmap;
import com.google.zxing.DecodeHintType;
import com.google.zxing.LuminanceSource;
import com.google.zxing.NotFoundException;
import com.google.zxing.RGBLuminanceSource;
import com.google.zxing.ReaderException;
import com.google.zxing.ResultPoint;
import com.google.zxing.common.BitMatrix;
import com.google.zxing.common.DecoderResult;
import com.google.zxing.common.DetectorResult;
import com.google.zxing.common.GlobalHistogramBinarizer;
import com.google.zxing.common.HybridBinarizer;
import com.google.zxing.multi.qrcode.detector.MultiDetector;
import com.google.zxing.qrcode.decoder.Decoder;
import com.google.zxing.qrcode.detector.Detector;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * What a picture of a code says.
 *
 * @param modules modules a side, without the quiet zone
 * @param pixelsPerModule how large a module is in the picture
 */
public record CodeReading(String text, int modules, double pixelsPerModule) {
    /** Below this a module blurs into its neighbours in all but perfect pictures. Common practice. */
    public static final double ENOUGH_PIXELS = 3;

    /** The centres of two finder patterns lie this much less than a side apart: ISO/IEC 18004, section 6.3.3. */
    private static final int FINDER_INSET = 7;

    private static final int ENLARGED = 3;

    /** Pixels; a larger picture whose code is this fine is no picture of a code. */
    private static final int SMALL_PICTURE = 500_000;

    private static final Map<DecodeHintType, ?> HARD = Map.of(DecodeHintType.TRY_HARDER, true);

    /** Reads a picture of red, green and blue; empty if no code can be made out. */
    public static Optional<CodeReading> of(int[] rgb, int width, int height) {
        return read(new RGBLuminanceSource(width, height, rgb))
                .or(() -> width * height > SMALL_PICTURE
                        ? Optional.empty()
                        : read(enlarged(rgb, width, height))
                                .map(read ->
                                        new CodeReading(read.text, read.modules, read.pixelsPerModule / ENLARGED)));
    }

    private static Optional<CodeReading> read(LuminanceSource picture) {
        for (LuminanceSource source : List.of(picture, picture.invert())) {
            for (Binarizer binarizer : List.of(new HybridBinarizer(source), new GlobalHistogramBinarizer(source))) {
                Optional<CodeReading> read = read(new BinaryBitmap(binarizer));
                if (read.isPresent()) {
                    return read;
                }
            }
        }
        return Optional.empty();
    }

    /** Modules of two pixels are too few to be found among; each pixel made larger, they are found. */
    private static LuminanceSource enlarged(int[] rgb, int width, int height) {
        int[] large = new int[rgb.length * ENLARGED * ENLARGED];
        for (int at = 0; at < large.length; at++) {
            int x = at % (width * ENLARGED) / ENLARGED;
            int y = at / (width * ENLARGED) / ENLARGED;
            large[at] = rgb[y * width + x];
        }
        return new RGBLuminanceSource(width * ENLARGED, height * ENLARGED, large);
    }

    private static Optional<CodeReading> read(BinaryBitmap bitmap) {
        try {
            BitMatrix matrix = bitmap.getBlackMatrix();
            return first(() -> new DetectorResult[] {new Detector(matrix).detect(HARD)})
                    .or(() -> first(() -> new MultiDetector(matrix).detectMulti(HARD)));
        } catch (NotFoundException e) {
            return Optional.empty();
        }
    }

    /** Finds what may be codes. The quick detector takes the three likeliest finder patterns; a code's data can look like one. */
    private interface Search {
        DetectorResult[] find() throws ReaderException;
    }

    private static Optional<CodeReading> first(Search search) {
        try {
            return Arrays.stream(search.find())
                    .flatMap(found -> decode(found).stream())
                    .findFirst();
        } catch (ReaderException e) {
            return Optional.empty();
        }
    }

    private static Optional<CodeReading> decode(DetectorResult found) {
        try {
            DecoderResult decoded = new Decoder().decode(found.getBits(), HARD);
            int modules = found.getBits().getHeight();
            ResultPoint[] corners = found.getPoints();
            double left = ResultPoint.distance(corners[0], corners[1]);
            double top = ResultPoint.distance(corners[1], corners[2]);
            return Optional.of(
                    new CodeReading(decoded.getText(), modules, Math.min(left, top) / (modules - FINDER_INSET)));
        } catch (ReaderException e) {
            return Optional.empty();
        }
    }

    public boolean hasEnoughPixels() {
        return pixelsPerModule >= ENOUGH_PIXELS;
    }
}
