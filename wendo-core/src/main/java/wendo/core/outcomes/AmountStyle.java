package wendo.core.outcomes;

import java.util.List;
import java.util.Optional;
import java.util.regex.Pattern;

/** Which sign stands before the decimals in the amounts of a file. Ours. */
public enum AmountStyle {
    POINT('.', ','),
    COMMA(',', '.');

    private static final Pattern DECIMALS = Pattern.compile(".*[.,]\\d{1,2}");

    private final char decimal;
    private final char group;

    AmountStyle(char decimal, char group) {
        this.decimal = decimal;
        this.group = group;
    }

    /**
     * What the amounts of a column tell: of two signs in one amount the later stands before the decimals, and so does a
     * sign with one or two digits behind it. Empty if they tell nothing, or two different things.
     */
    public static Optional<AmountStyle> detect(List<String> cells) {
        boolean point = false;
        boolean comma = false;
        for (String cell : cells) {
            String number = bare(cell);
            int lastPoint = number.lastIndexOf('.');
            int lastComma = number.lastIndexOf(',');
            boolean tells = DECIMALS.matcher(number).matches() || lastPoint >= 0 && lastComma >= 0;
            point |= tells && lastPoint > lastComma;
            comma |= tells && lastComma > lastPoint;
        }
        return point == comma ? Optional.empty() : Optional.of(point ? POINT : COMMA);
    }

    /** An amount as programs write it: with a point and without groups; what is none comes back as it stands. */
    public String plain(String cell) {
        String number = bare(cell);
        String groups = "\\d{1,3}(\\" + group + "\\d{3})+|\\d+";
        boolean isAmount = number.matches("(" + groups + ")(\\" + decimal + "\\d+)?");
        return isAmount ? number.replace(String.valueOf(group), "").replace(decimal, '.') : cell.strip();
    }

    /** Without currency signs and codes, white space and apostrophes. */
    private static String bare(String cell) {
        return cell.replaceAll("[\\p{Sc}\\s\\p{Z}'’]", "").replaceAll("^[A-Za-z]{1,3}|[A-Za-z]{1,3}$", "");
    }
}
