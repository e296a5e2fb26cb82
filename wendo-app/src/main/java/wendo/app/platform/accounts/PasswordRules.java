package wendo.app.platform.accounts;

import com.nulabinc.zxcvbn.Zxcvbn;
import java.nio.charset.StandardCharsets;
import java.text.Normalizer;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import wendo.app.platform.site.Texts;

/**
 * What a password may be, by NIST SP 800-63B-4 section 3.1.1.2: long enough, no composition rules, and none that is on
 * lists of common or breached ones or is made of what anybody knows of the account. The lists, and the measure of how
 * many guesses it takes, are zxcvbn's (Wheeler, USENIX Security 2016).
 */
final class PasswordRules {
    /** In characters. The standard asks for 15 where nothing else is asked for, and for 8 beside a second factor. */
    static final int SHORTEST = 12;

    /** In bytes of UTF-8: what bcrypt reads. The standard asks for 64 characters or more. */
    static final int LONGEST_BYTES = 72;

    /** What an online guesser may try in a year past the limits of sign-in, from the same paper: 10 to the 8th. */
    private static final double FEWEST_GUESSES_LOG10 = 8;

    private static final Pattern NO_LETTERS = Pattern.compile("[^\\p{L}]+");

    private static final Zxcvbn MEASURE = new Zxcvbn();

    private PasswordRules() {}

    /** Composed as Unicode's NFC, so that one typed on another keyboard is the same. */
    static String normal(String typed) {
        return Normalizer.normalize(typed, Normalizer.Form.NFC);
    }

    /** What is wrong with it, in words; empty if it may be taken. {@code known} is what others know: names, e-mail. */
    static Optional<String> fault(String typed, List<String> known) {
        String password = normal(typed);
        if (password.codePointCount(0, password.length()) < SHORTEST) {
            return Optional.of(Texts.of("platform.accounts.password-too-short", SHORTEST));
        }
        if (password.getBytes(StandardCharsets.UTF_8).length > LONGEST_BYTES) {
            return Optional.of(Texts.of("platform.accounts.password-too-long", LONGEST_BYTES));
        }
        List<String> words = known.stream()
                .map(word -> word.toLowerCase(Locale.ROOT))
                .flatMap(word -> Stream.concat(Stream.of(word), NO_LETTERS.splitAsStream(word)))
                .filter(word -> !word.isBlank())
                .toList();
        return MEASURE.measure(password, words).getGuessesLog10() < FEWEST_GUESSES_LOG10
                ? Optional.of(Texts.of("platform.accounts.password-common"))
                : Optional.empty();
    }
}
