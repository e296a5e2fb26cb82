package wendo.core.media;

import java.text.Normalizer;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;

/** Finds the characters of a text that the 7-bit alphabet lacks, and what could stand in their place. */
final class CostlyCharacters {
    /** What word processors and phones put in on their own, by what was meant. Ours. */
    private static final Map<String, String> INSTEAD = Map.ofEntries(
            Map.entry("‘", "'"),
            Map.entry("’", "'"),
            Map.entry("‚", ","),
            Map.entry("“", "\""),
            Map.entry("”", "\""),
            Map.entry("„", "\""),
            Map.entry("«", "\""),
            Map.entry("»", "\""),
            Map.entry("´", "'"),
            Map.entry("`", "'"),
            Map.entry("–", "-"),
            Map.entry("—", "-"),
            Map.entry("‑", "-"),
            Map.entry("−", "-"),
            Map.entry("•", "-"),
            Map.entry("·", "."),
            Map.entry("…", "..."),
            Map.entry("×", "x"),
            Map.entry("\t", " "),
            Map.entry("½", "1/2"),
            Map.entry("¼", "1/4"),
            Map.entry("¾", "3/4"),
            Map.entry("°", " deg"),
            Map.entry("™", "(TM)"),
            Map.entry("©", "(C)"),
            Map.entry("®", "(R)"),
            Map.entry("ł", "l"),
            Map.entry("Ł", "L"),
            Map.entry("œ", "oe"),
            Map.entry("đ", "d"),
            Map.entry("ı", "i"));

    private CostlyCharacters() {}

    /** In the order of their first places. */
    static List<TextMessage.Costly> in(String text) {
        Map<Integer, Integer> times = new LinkedHashMap<>();
        text.codePoints()
                .filter(codePoint -> SmsAlphabet.units(codePoint) == 0)
                .forEach(codePoint -> times.merge(codePoint, 1, Integer::sum));
        return times.entrySet().stream()
                .map(one -> new TextMessage.Costly(
                        Character.toString(one.getKey()),
                        name(one.getKey()),
                        one.getValue(),
                        instead(Character.toString(one.getKey()))))
                .toList();
    }

    private static String name(int codePoint) {
        String name = Character.getName(codePoint);
        return name == null ? "U+%04X".formatted(codePoint) : name.toLowerCase(Locale.ROOT);
    }

    static String instead(String character) {
        String known = INSTEAD.get(character);
        if (known != null) {
            return known;
        }
        // Compatibility forms are the same text in other clothes: spaces of all widths, letters in circles.
        String plain = Normalizer.normalize(character, Normalizer.Form.NFKC);
        if (!plain.equals(character) && SmsAlphabet.has(plain)) {
            return plain;
        }
        String folded = Normalizer.normalize(character, Normalizer.Form.NFKD).replaceAll("\\p{M}", "");
        return !folded.isEmpty() && !folded.equals(character) && SmsAlphabet.has(folded) ? folded : "";
    }
}
