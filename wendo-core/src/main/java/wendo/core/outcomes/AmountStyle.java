package wendo.core.outcomes;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Which sign stands before the decimals in the amounts of a file. Ours. */
public enum AmountStyle {
    POINT('.', ','),
    COMMA(',', '.');

    private static final Pattern DECIMALS = Pattern.compile(".*[.,]\\d{1,2}");

    private static final Pattern BESIDE = Pattern.compile(
            "-?([\\p{Sc}\\p{L}]{0,5})[\\s\\p{Z}]*-?[\\d.,'’\\s\\p{Z}]+?[\\s\\p{Z}]*([\\p{Sc}\\p{L}]{0,5})");

    private final char decimal;
    private final char group;

    AmountStyle(char decimal, char group) {
        this.decimal = decimal;
        this.group = group;
    }

    /** By its key, point or comma. */
    public static Optional<AmountStyle> named(String key) {
        return Arrays.stream(values())
                .filter(style -> style.name().equalsIgnoreCase(key.strip()))
                .findFirst();
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

    /** The first amount of a column that another style reads but this one does not; empty if all go with this style. */
    public Optional<String> contradiction(List<String> cells, int decimals) {
        return cells.stream()
                .filter(cell -> !isRead(cell, decimals)
                        && Arrays.stream(values()).anyMatch(other -> other.isRead(cell, decimals)))
                .findFirst();
    }

    private boolean isRead(String cell, int decimals) {
        return plain(cell).matches("\\d+(\\.\\d{1," + Math.max(1, decimals) + "})?");
    }

    /** The currency sign or code that stands beside an amount; empty text without one. */
    public static String currency(String cell) {
        Matcher beside = BESIDE.matcher(cell.strip());
        return beside.matches() ? (beside.group(1) + beside.group(2)).strip() : "";
    }

    /** Without currency signs and codes, white space and apostrophes. */
    private static String bare(String cell) {
        return cell.replaceAll("[\\p{Sc}\\s\\p{Z}'’]", "").replaceAll("^[A-Za-z]{1,3}|[A-Za-z]{1,3}$", "");
    }
}
