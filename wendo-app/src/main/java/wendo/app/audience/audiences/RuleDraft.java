package wendo.app.audience.audiences;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.springframework.util.LinkedMultiValueMap;
import wendo.app.platform.site.TypedFields;
import wendo.core.audience.Combined;

/**
 * Rules as somebody builds them: what was typed, whether or not it makes sense yet. A rule stands at a path: {@code r} is
 * the whole, {@code r-1} its second part; its fields are called by what they hold and the path, like {@code kind.r-1}.
 * Audiences are stored as these fields.
 *
 * @param typed by what the fields hold; a group has {@code match}, a condition {@code kind}
 */
record RuleDraft(Map<String, List<String>> typed, List<RuleDraft> parts) {
    static final String ROOT = "r";
    private static final String MATCH = "match";
    private static final Pattern FIELD = Pattern.compile("([a-z]+)\\.(r(?:-\\d{1,3}){0,9})");

    /** A part that was built, with where it stands. */
    record Placed(String path, RuleDraft rule) {
        public String field(String holds) {
            return holds + "." + path;
        }

        public List<Placed> parts() {
            return IntStream.range(0, rule.parts().size())
                    .mapToObj(i -> new Placed(path + "-" + i, rule.parts().get(i)))
                    .toList();
        }

        /** How many groups it lies in. */
        public int level() {
            return (int) path.chars().filter(c -> c == '-').count();
        }
    }

    RuleDraft {
        typed = Map.copyOf(typed);
        parts = List.copyOf(parts);
    }

    static RuleDraft group(String match, RuleDraft... parts) {
        return new RuleDraft(Map.of(MATCH, List.of(match)), List.of(parts));
    }

    static RuleDraft condition(RuleKind kind, Map<String, String> values) {
        Map<String, List<String>> typed = new LinkedHashMap<>();
        typed.put("kind", List.of(kind.key()));
        values.forEach((holds, value) -> typed.put(holds, List.of(value)));
        return new RuleDraft(typed, List.of());
    }

    /** What a form sent; fields that are no rule's are left out, and parts that nobody sent leave no gap. */
    static RuleDraft of(TypedFields sent) {
        Map<String, Map<String, List<String>>> byPath = new LinkedHashMap<>();
        sent.sent().forEach((name, values) -> {
            Matcher field = FIELD.matcher(name);
            if (field.matches()) {
                byPath.computeIfAbsent(field.group(2), path -> new LinkedHashMap<>())
                        .put(field.group(1), values.stream().map(String::strip).toList());
            }
        });
        RuleDraft read = at(ROOT, byPath);
        return read.isGroup() ? read : group("all");
    }

    private static RuleDraft at(String path, Map<String, Map<String, List<String>>> byPath) {
        Map<String, List<String>> own = byPath.getOrDefault(path, Map.of());
        if (!own.containsKey(MATCH)) {
            return new RuleDraft(own, List.of());
        }
        List<RuleDraft> parts = byPath.keySet().stream()
                .filter(other -> other.startsWith(path + "-") && other.indexOf('-', path.length() + 1) < 0)
                .sorted((one, other) -> Integer.compare(place(one), place(other)))
                .map(other -> at(other, byPath))
                .toList();
        return new RuleDraft(own, parts);
    }

    private static int place(String path) {
        return Integer.parseInt(path.substring(path.lastIndexOf('-') + 1));
    }

    public boolean isGroup() {
        return typed.containsKey(MATCH);
    }

    /** The first that a field holds; empty text for none. */
    public String text(String holds) {
        List<String> all = all(holds);
        return all.isEmpty() ? "" : all.get(0);
    }

    public List<String> all(String holds) {
        return typed.getOrDefault(holds, List.of());
    }

    /** What links are looked for by, in small letters; empty text for nothing. */
    String sought() {
        return text("find").toLowerCase(Locale.ROOT);
    }

    /** This one and whatever lies in it. */
    Stream<RuleDraft> all() {
        return Stream.concat(Stream.of(this), parts.stream().flatMap(RuleDraft::all));
    }

    public Placed placed() {
        return new Placed(ROOT, this);
    }

    /** What a button does: {@code add}, {@code group} or {@code remove}, with the path after a colon. */
    RuleDraft after(String operation) {
        int colon = operation.indexOf(':');
        return colon < 0
                ? this
                : changed(operation.substring(0, colon), operation.substring(colon + 1), ROOT)
                        .orElse(this);
    }

    /** Empty if this is what is removed. */
    private Optional<RuleDraft> changed(String operation, String at, String path) {
        if (!at.equals(path)) {
            return Optional.of(new RuleDraft(
                    typed,
                    IntStream.range(0, parts.size())
                            .mapToObj(i -> parts.get(i).changed(operation, at, path + "-" + i))
                            .flatMap(Optional::stream)
                            .toList()));
        }
        boolean hasRoom = isGroup() && parts.size() < Combined.MOST_CONDITIONS;
        return switch (operation) {
            case "remove" -> path.equals(ROOT) ? Optional.of(this) : Optional.empty();
            case "add" -> Optional.of(hasRoom ? with(condition(RuleKind.CAME, Map.of())) : this);
            case "group" -> Optional.of(hasRoom ? with(group("any", condition(RuleKind.CAME, Map.of()))) : this);
            default -> Optional.of(this);
        };
    }

    private RuleDraft with(RuleDraft part) {
        List<RuleDraft> more = new ArrayList<>(parts);
        more.add(part);
        return new RuleDraft(typed, more);
    }

    /** All fields by their names. */
    Map<String, List<String>> fields() {
        Map<String, List<String>> fields = new LinkedHashMap<>();
        collect(placed(), fields);
        return fields;
    }

    /** As they would be sent again. */
    static RuleDraft of(Map<String, List<String>> fields) {
        return of(new TypedFields(new LinkedMultiValueMap<>(fields)));
    }

    private static void collect(Placed at, Map<String, List<String>> fields) {
        at.rule().typed().forEach((holds, values) -> fields.put(at.field(holds), values));
        at.parts().forEach(part -> collect(part, fields));
    }
}
