package wendo.core.links;

import java.util.List;
import java.util.Optional;
import java.util.regex.Pattern;
import wendo.core.text.Refused;

/**
 * One parameter of a tag plan and where its value comes from.
 *
 * @param isRequired whether a link without a value is refused; only a typed field may go without
 * @param fixed the value of a {@link From#FIXED} field, else empty text
 * @param allowed the values a {@link From#TYPED} field may have, written as they are shown; empty if any may be typed
 */
public record TagField(String parameter, From from, boolean isRequired, String fixed, List<String> allowed) {
    public static final int MAX_PARAMETER = 40;
    public static final int MAX_ALLOWED = 200;

    private static final Pattern PARAMETER = Pattern.compile("[A-Za-z][A-Za-z0-9_.-]*");

    /** Where a value comes from. */
    public enum From {
        SOURCE,
        MEDIUM,
        CAMPAIGN,
        FIXED,
        TYPED
    }

    public TagField {
        if (parameter.length() > MAX_PARAMETER || !PARAMETER.matcher(parameter).matches()) {
            throw new Refused("links.parameter", MAX_PARAMETER, shortened(parameter));
        }
        if (from == From.FIXED && !Tag.isPossible(fixed)) {
            throw new Refused("links.fixed-value", parameter);
        }
        if (allowed.size() > MAX_ALLOWED) {
            throw new Refused("links.too-many-values", parameter, allowed.size(), MAX_ALLOWED);
        }
        allowed.stream().filter(value -> !Tag.isPossible(value)).findFirst().ifPresent(value -> {
            throw new Refused("links.value-empty", parameter, value);
        });
        allowed = List.copyOf(allowed);
    }

    public static TagField of(String parameter, From from) {
        return new TagField(parameter, from, from != From.TYPED, "", List.of());
    }

    /** What people read: {@code utm_content} is {@code Content}. */
    public String label() {
        String plain = parameter.replaceFirst("^utm_", "").replaceAll("[_.-]+", " ");
        return plain.isEmpty() ? parameter : Character.toUpperCase(plain.charAt(0)) + plain.substring(1);
    }

    /** The value that a free spelling means: with a list, the listed one of the same normal form. */
    Optional<Tag> read(String typed) {
        if (!Tag.isPossible(typed)) {
            return Optional.empty();
        }
        Tag tag = Tag.of(typed);
        return allowed.isEmpty()
                ? Optional.of(tag)
                : allowed.stream().map(Tag::of).filter(tag::equals).findFirst();
    }

    private static String shortened(String text) {
        return text.length() <= MAX_PARAMETER ? text : text.substring(0, MAX_PARAMETER) + "…";
    }
}
