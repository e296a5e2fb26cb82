package wendo.app.place.codes;

import java.util.HashMap;
import java.util.Locale;
import java.util.Map;
import java.util.function.UnaryOperator;
import org.springframework.web.util.UriComponentsBuilder;
import wendo.app.platform.site.Texts;
import wendo.core.media.Correction;
import wendo.core.media.PrintedSize;

/**
 * How codes are wanted, as it stands in the address. What makes no sense is noted by field, and the usual taken.
 *
 * @param side of a code in millimetres, without its quiet zone
 * @param isCapital true for the form in capitals where that makes the code smaller
 * @param copies of each code on a sheet
 */
record CodeOrder(
        double side,
        Correction correction,
        boolean isCapital,
        Under under,
        boolean hasMark,
        int copies,
        Map<String, String> faults) {
    private static final double USUAL_SIDE = 25;
    private static final int MOST_COPIES = 400;

    /** What stands below a code. */
    enum Under {
        ADDRESS("place.codes.code-order.the-address"),
        NAME("place.codes.code-order.the-links-name"),
        BOTH("place.codes.code-order.name-and-address"),
        NOTHING("place.codes.code-order.nothing");

        private final String words;

        Under(String words) {
            this.words = words;
        }

        public String words() {
            return Texts.of(words);
        }

        public String key() {
            return name().toLowerCase(Locale.ROOT);
        }
    }

    CodeOrder {
        faults = Map.copyOf(faults);
    }

    static CodeOrder of(UnaryOperator<String> field) {
        Map<String, String> faults = new HashMap<>();
        return new CodeOrder(
                new NumberField("side", USUAL_SIDE, PrintedSize.SMALLEST, PrintedSize.LARGEST)
                        .read(field.apply("side"), faults),
                correction(field.apply("correction")),
                !field.apply("capitals").equals("no"),
                under(field.apply("under")),
                field.apply("mark").equals("yes"),
                (int) new NumberField("copies", 1, 1, MOST_COPIES).read(field.apply("copies"), faults),
                faults);
    }

    /** Without needless zeros. */
    static String plain(double number) {
        return java.math.BigDecimal.valueOf(number)
                .setScale(2, java.math.RoundingMode.HALF_UP)
                .stripTrailingZeros()
                .toPlainString();
    }

    /** Print gets dirty and folded: a quarter may be lost. Common practice. */
    private static Correction correction(String name) {
        return name.matches("[LMQH]") ? Correction.valueOf(name) : Correction.Q;
    }

    private static Under under(String key) {
        for (Under under : Under.values()) {
            if (under.key().equals(key)) {
                return under;
            }
        }
        return Under.ADDRESS;
    }

    public String sideTyped() {
        return plain(side);
    }

    /** The part of an address that orders the same codes. */
    public String query() {
        return String.valueOf(UriComponentsBuilder.newInstance()
                .queryParam("side", plain(side))
                .queryParam("correction", correction)
                .queryParam("capitals", isCapital ? "yes" : "no")
                .queryParam("under", under.key())
                .queryParam("mark", hasMark ? "yes" : "no")
                .queryParam("copies", copies)
                .build()
                .getQuery());
    }
}
