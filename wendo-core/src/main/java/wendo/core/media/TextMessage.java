package wendo.core.media;

import java.util.ArrayList;
import java.util.List;

/**
 * A text message as it is sent and paid for: 3GPP TS 23.038. In the 7-bit alphabet a message carries 160 units, or 153 in
 * each part of a longer one; one character beyond it makes the whole message UCS-2, which carries 70 or 67 code units.
 *
 * @param unitsLeft units that may still be added without another part
 */
public record TextMessage(Alphabet alphabet, int units, List<String> parts, int unitsLeft, List<Costly> costly) {

    /** @param single units of a message that stands alone; {@code joined} those of each part of a longer one */
    public enum Alphabet {
        GSM_7(160, 153),
        UCS_2(70, 67);

        private final int single;
        private final int joined;

        Alphabet(int single, int joined) {
            this.single = single;
            this.joined = joined;
        }

        public int single() {
            return single;
        }

        public int joined() {
            return joined;
        }

        int units(int codePoint) {
            return this == GSM_7 ? SmsAlphabet.units(codePoint) : Character.charCount(codePoint);
        }
    }

    /**
     * A character that forces UCS-2.
     *
     * @param instead what the 7-bit alphabet offers in its place; empty if nothing does
     */
    public record Costly(String character, String name, int times, String instead) {}

    public TextMessage {
        parts = List.copyOf(parts);
        costly = List.copyOf(costly);
    }

    public static TextMessage of(String text) {
        List<Costly> costly = CostlyCharacters.in(text);
        Alphabet alphabet = costly.isEmpty() ? Alphabet.GSM_7 : Alphabet.UCS_2;
        int units = text.codePoints().map(alphabet::units).sum();
        if (units <= alphabet.single()) {
            List<String> parts = text.isEmpty() ? List.of() : List.of(text);
            return new TextMessage(alphabet, units, parts, alphabet.single() - units, costly);
        }
        List<String> parts = cut(text, alphabet);
        int last = parts.get(parts.size() - 1).codePoints().map(alphabet::units).sum();
        return new TextMessage(alphabet, units, parts, alphabet.joined() - last, costly);
    }

    /** The same text with all that the 7-bit alphabet offers in place of what it lacks. */
    public static String cheaper(String text) {
        StringBuilder cheaper = new StringBuilder();
        text.codePoints().forEach(codePoint -> {
            String character = Character.toString(codePoint);
            String instead = SmsAlphabet.units(codePoint) > 0 ? "" : CostlyCharacters.instead(character);
            cheaper.append(instead.isEmpty() ? character : instead);
        });
        return cheaper.toString();
    }

    /** A character of two units, and a surrogate pair, are never cut in half: they move on to the next part whole. */
    private static List<String> cut(String text, Alphabet alphabet) {
        List<String> parts = new ArrayList<>();
        StringBuilder part = new StringBuilder();
        int filled = 0;
        for (int codePoint : text.codePoints().toArray()) {
            int units = alphabet.units(codePoint);
            if (filled + units > alphabet.joined()) {
                parts.add(part.toString());
                part.setLength(0);
                filled = 0;
            }
            part.appendCodePoint(codePoint);
            filled += units;
        }
        parts.add(part.toString());
        return parts;
    }
}
