package wendo.core.media;

import java.util.List;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import wendo.core.text.Refused;

/**
 * The text that a sending system puts a reader's own value in place of, kept letter for letter. Forms that such systems
 * commonly write are told when they arrive unsubstituted: in braces, brackets, percent or star signs. Common practice.
 */
public record Placeholder(String text) {
    public static final int MAX_LENGTH = 100;

    /** Anything between marks that no e-mail address has around it. */
    private static final List<Pattern> UNSUBSTITUTED = List.of(
            Pattern.compile("\\$\\{?[A-Za-z_][A-Za-z0-9_.]{0,100}\\}?"),
            Pattern.compile("\\{\\{?[^{}]{0,100}\\}?\\}"),
            Pattern.compile("\\[\\[?[^\\[\\]]{0,100}\\]?\\]"),
            Pattern.compile("<<?[^<>]{0,100}>?>"),
            Pattern.compile("%%?[A-Za-z][^%@]{0,100}%%?"),
            Pattern.compile("\\*\\|[^|]{0,100}\\|\\*"),
            Pattern.compile("#[A-Za-z_][A-Za-z0-9_]{0,100}#"),
            Pattern.compile("__[A-Za-z][A-Za-z0-9_]{0,100}__"));

    public Placeholder {
        if (text.isBlank() || text.length() > MAX_LENGTH) {
            throw new Refused("media.placeholder-length", MAX_LENGTH, text.length());
        }
        if (text.chars().anyMatch(c -> Character.isISOControl(c) || Character.isWhitespace(c) && c != ' ')) {
            throw new Refused("media.placeholder-line");
        }
        if (text.contains("\"") && text.contains("'")) {
            throw new Refused("media.placeholder-quotes");
        }
    }

    /**
     * An address in which the placeholder stands letter for letter, as the value of a parameter at its end: where the
     * sender system looks for it, nothing of it is escaped.
     */
    public String atEndOf(String address, String parameter) {
        int hash = address.indexOf('#');
        String base = hash < 0 ? address : address.substring(0, hash);
        String fragment = hash < 0 ? "" : address.substring(hash);
        return base + (base.indexOf('?') < 0 ? "?" : "&") + parameter + "=" + text + fragment;
    }

    /** The placeholder that a sender system has left in a value; empty if it looks like a value. */
    public static Optional<String> findIn(String value) {
        for (Pattern pattern : UNSUBSTITUTED) {
            Matcher found = pattern.matcher(value);
            if (found.find()) {
                return Optional.of(found.group());
            }
        }
        return Optional.empty();
    }
}
