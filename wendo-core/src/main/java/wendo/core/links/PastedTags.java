package wendo.core.links;

import java.net.URLDecoder;
import java.nio.charset.StandardCharsets;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;

/**
 * The tags that a pasted address already carries, told apart from the rest of it.
 *
 * @param bare the address without them
 * @param values what stood there by parameter, decoded, in the order of the plan
 */
public record PastedTags(WebAddress bare, Map<String, String> values, TagPlan plan) {
    /** Read as tags even where a plan does not use them: no page needs them to show itself. Common practice. */
    private static final List<String> ALWAYS =
            List.of("utm_source", "utm_medium", "utm_campaign", "utm_term", "utm_content", "utm_id");

    public PastedTags {
        values = Collections.unmodifiableMap(new LinkedHashMap<>(values));
    }

    public static PastedTags of(WebAddress pasted, TagPlan plan) {
        Map<String, String> found = new LinkedHashMap<>();
        WebAddress bare = pasted;
        for (String parameter : parameters(plan)) {
            Optional<String> value = value(pasted, parameter);
            if (value.isPresent()) {
                found.put(parameter, value.get());
                bare = Tagging.drop(bare, parameter);
            }
        }
        return new PastedTags(bare, found, plan);
    }

    private static List<String> parameters(TagPlan plan) {
        return Stream.concat(plan.fields().stream().map(TagField::parameter), ALWAYS.stream())
                .distinct()
                .toList();
    }

    private static Optional<String> value(WebAddress address, String parameter) {
        for (String pair : address.query().replaceFirst("^\\?", "").split("&", -1)) {
            if (pair.startsWith(parameter + "=")) {
                return Optional.of(decode(pair.substring(parameter.length() + 1)));
            }
        }
        return Optional.empty();
    }

    private static String decode(String text) {
        try {
            return URLDecoder.decode(text, StandardCharsets.UTF_8).strip();
        } catch (IllegalArgumentException e) {
            return text; // a lone percent sign is kept as it stands
        }
    }

    /** What stands where the plan writes its source; else in {@code utm_source}. */
    public Optional<String> source() {
        return from(TagField.From.SOURCE, "utm_source");
    }

    public Optional<String> medium() {
        return from(TagField.From.MEDIUM, "utm_medium");
    }

    public Optional<String> campaign() {
        return from(TagField.From.CAMPAIGN, "utm_campaign");
    }

    private Optional<String> from(TagField.From from, String usual) {
        return Stream.concat(
                        plan.fields().stream()
                                .filter(field -> field.from() == from)
                                .map(TagField::parameter),
                        Stream.of(usual))
                .flatMap(parameter -> Optional.ofNullable(values.get(parameter)).stream())
                .filter(Tag::isPossible)
                .findFirst();
    }

    /** What the plan's typed fields are given by the address. */
    public Map<String, String> typed() {
        Map<String, String> typed = new LinkedHashMap<>(values);
        typed.keySet()
                .retainAll(plan.typedFields().stream().map(TagField::parameter).toList());
        return typed;
    }
}
