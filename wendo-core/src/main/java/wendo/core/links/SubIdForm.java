package wendo.core.links;

import java.util.Arrays;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.regex.Pattern;
import wendo.core.text.Sentence;
import wendo.core.visits.ClickId;

/**
 * The sub-ID of a partner network: the parameter that takes it, the characters it may have, and how many. A click
 * identifier goes out as it is where it fits; else as an alias, a number written in the network's own characters.
 *
 * @param maxLength in characters, 3 to 200
 */
public record SubIdForm(String parameter, Alphabet alphabet, int maxLength) {
    private static final Pattern PARAMETER = Pattern.compile("[A-Za-z0-9_.\\[\\]-]{1,40}");
    private static final int LEAST = 3; // fewer characters are used up by a busy month
    private static final int MOST = 200;

    /** The characters that a network keeps. */
    public enum Alphabet {
        DIGITS("links.sub-id-digits", "0123456789"),
        HEX("links.sub-id-hex", "0123456789abcdef"),
        LETTERS("links.sub-id-letters", "0123456789abcdefghijklmnopqrstuvwxyz");

        private final String words;
        private final String characters;

        Alphabet(String words, String characters) {
            this.words = words;
            this.characters = characters;
        }

        public String key() {
            return name().toLowerCase(Locale.ROOT);
        }

        public Sentence words() {
            return Sentence.of(words);
        }

        public static Optional<Alphabet> find(String key) {
            return Arrays.stream(values()).filter(one -> one.key().equals(key)).findFirst();
        }
    }

    public SubIdForm {
        if (!isParameter(parameter)) {
            throw new IllegalArgumentException(
                    "A sub-ID's parameter must be a name, but was \"%s\"".formatted(parameter));
        }
        if (!isLength(maxLength)) {
            throw new IllegalArgumentException("A sub-ID must have 3 to 200 characters, but had " + maxLength);
        }
    }

    public static boolean isParameter(String text) {
        return PARAMETER.matcher(text).matches();
    }

    public static boolean isLength(int characters) {
        return characters >= LEAST && characters <= MOST;
    }

    /** Whether a click identifier goes out as it is. */
    public boolean takesClickIds() {
        return alphabet == Alphabet.LETTERS && maxLength >= ClickId.LENGTH;
    }

    /** What names a link by its slug where no visit can be named, in an ad's own address; empty if it does not fit. */
    public Optional<String> ofLink(String slug) {
        boolean fits = slug.length() <= maxLength
                && slug.chars().allMatch(character -> alphabet.characters.indexOf(character) >= 0);
        return fits ? Optional.of(slug) : Optional.empty();
    }

    /** How many aliases there are; empty if they are more than can ever be used. */
    public OptionalLong aliases() {
        double all = Math.pow(alphabet.characters.length(), maxLength);
        return all < Long.MAX_VALUE / 2.0 ? OptionalLong.of(Math.round(all)) : OptionalLong.empty();
    }

    /** The number in the alphabet's base, as short as it is, at least {@value #LEAST} long; empty if it is too long. */
    public Optional<String> alias(long number) {
        int base = alphabet.characters.length();
        StringBuilder digits = new StringBuilder();
        for (long left = number; left > 0; left /= base) {
            digits.append(alphabet.characters.charAt((int) (left % base)));
        }
        while (digits.length() < LEAST) {
            digits.append(alphabet.characters.charAt(0));
        }
        return digits.length() <= maxLength ? Optional.of(digits.reverse().toString()) : Optional.empty();
    }
}
