package wendo.app.links;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.util.MultiValueMap;

/**
 * What is on the desk: as typed, nothing checked yet.
 *
 * @param slugs typed endings by source; a source without one gets a generated ending
 * @param names typed names by source; a source without one gets a name made of source and campaign
 */
record IssueForm(
        String destination,
        String campaign,
        String note,
        List<UUID> sources,
        Map<UUID, String> slugs,
        Map<UUID, String> names,
        String newSource,
        String newChannel) {
    private static final String SLUG = "slug.";
    private static final String NAME = "name.";

    /** A free ending that was offered and taken instead of the typed one. */
    private static final String USE = "use.";

    IssueForm {
        sources = List.copyOf(sources);
        slugs = Map.copyOf(slugs);
        names = Map.copyOf(names);
    }

    static IssueForm empty() {
        return new IssueForm("", "", "", List.of(), Map.of(), Map.of(), "", "");
    }

    static IssueForm of(MultiValueMap<String, String> typed) {
        List<UUID> sources = typed.getOrDefault("source", List.of()).stream()
                .flatMap(id -> findUuid(id).stream())
                .distinct()
                .toList();
        Map<UUID, String> slugs = new HashMap<>(bySource(typed, SLUG));
        slugs.putAll(bySource(typed, USE));
        return new IssueForm(
                first(typed, "destination"),
                first(typed, "campaign"),
                first(typed, "note"),
                sources,
                slugs,
                bySource(typed, NAME),
                first(typed, "newSource"),
                first(typed, "newChannel"));
    }

    IssueForm withSource(UUID source) {
        List<UUID> all = new ArrayList<>(sources);
        if (!all.contains(source)) {
            all.add(source);
        }
        return new IssueForm(destination, campaign, note, all, slugs, names, "", newChannel);
    }

    private static String first(MultiValueMap<String, String> typed, String name) {
        String value = typed.getFirst(name);
        return value == null ? "" : value.strip();
    }

    private static Map<UUID, String> bySource(MultiValueMap<String, String> typed, String prefix) {
        Map<UUID, String> values = new HashMap<>();
        typed.forEach((name, all) -> {
            if (name.startsWith(prefix)) {
                findUuid(name.substring(prefix.length()))
                        .ifPresent(id -> values.put(id, all.get(0).strip()));
            }
        });
        return values;
    }

    private static Optional<UUID> findUuid(String text) {
        try {
            return Optional.of(UUID.fromString(text));
        } catch (IllegalArgumentException e) {
            return Optional.empty();
        }
    }
}
