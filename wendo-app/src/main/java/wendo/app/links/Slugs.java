package wendo.app.links;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.security.SecureRandom;
import java.util.Arrays;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.databind.json.JsonMapper;
import wendo.core.links.Slug;
import wendo.core.links.SlugRules;

/** Which endings are free on a host. */
@Component
class Slugs {
    private final JdbcClient jdbc;
    private final SlugRules rules;
    private final SecureRandom random = new SecureRandom();

    /** Why an ending is not given out, and a free one near it, if there is one. */
    record Refusal(String reason, Optional<Slug> alternative) {}

    Slugs(JdbcClient jdbc, JsonMapper json) {
        this.jdbc = jdbc;
        this.rules = new SlugRules(words(json));
    }

    private static List<String> words(JsonMapper json) {
        try (InputStream list = Slugs.class.getResourceAsStream("/data/offensive-words.json")) {
            return Arrays.stream(json.readValue(list, String[].class))
                    .map(word -> word.toLowerCase(Locale.ROOT))
                    .toList();
        } catch (IOException e) {
            throw new UncheckedIOException("The list of offensive words cannot be read", e);
        }
    }

    /** Checks what was typed, against the host and against the other endings of the same sheet. */
    @Transactional(readOnly = true)
    Optional<Refusal> check(UUID host, String typed, Set<String> skeletonsOfSheet) {
        Slug slug;
        try {
            slug = Slug.of(typed);
        } catch (IllegalArgumentException e) {
            return Optional.of(new Refusal(String.valueOf(e.getMessage()), Optional.empty()));
        }
        Optional<String> rule = rules.refusal(slug);
        if (rule.isPresent()) {
            return Optional.of(new Refusal(rule.get(), alternative(host, slug, skeletonsOfSheet)));
        }
        if (skeletonsOfSheet.contains(slug.skeleton())) {
            return Optional.of(new Refusal(
                    "Another link on this sheet ends so, or looks the same.",
                    alternative(host, slug, skeletonsOfSheet)));
        }
        return Optional.ofNullable(taken(host, Set.of(slug.skeleton())).get(slug.skeleton()))
                .map(existing -> new Refusal(
                        existing.equals(slug.value())
                                ? "\"%s\" is taken by another link.".formatted(slug)
                                : "\"%s\" looks like \"%s\", which is taken.".formatted(slug, existing),
                        alternative(host, slug, skeletonsOfSheet)));
    }

    private Optional<Slug> alternative(UUID host, Slug slug, Set<String> skeletonsOfSheet) {
        return Optional.of(rules.alternative(slug, wanted -> isFree(host, wanted, skeletonsOfSheet)));
    }

    @Transactional(readOnly = true)
    Slug generate(UUID host, Set<String> skeletonsOfSheet) {
        return rules.generate(random, wanted -> isFree(host, wanted, skeletonsOfSheet));
    }

    private boolean isFree(UUID host, Slug slug, Set<String> skeletonsOfSheet) {
        return !skeletonsOfSheet.contains(slug.skeleton())
                && taken(host, Set.of(slug.skeleton())).isEmpty();
    }

    private Map<String, String> taken(UUID host, Set<String> skeletons) {
        return jdbc
                .sql("select skeleton, slug from link where host_id = :host and skeleton in (:skeletons)")
                .param("host", host)
                .param("skeletons", new HashSet<>(skeletons))
                .query((row, number) -> Map.entry(row.getString(1), row.getString(2)))
                .list()
                .stream()
                .collect(Collectors.toMap(Map.Entry::getKey, Map.Entry::getValue));
    }
}
