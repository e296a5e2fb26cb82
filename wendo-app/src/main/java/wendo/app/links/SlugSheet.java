package wendo.app.links;

import java.security.SecureRandom;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.IntStream;
import wendo.core.links.Slug;

/** The endings of one sheet: typed ones are checked, made ones are made free, and no two of the sheet are confusable. */
final class SlugSheet {
    private static final int NUMBERS_AT_ONCE = 40;
    private static final SecureRandom RANDOM = new SecureRandom();

    private final Slugs slugs;
    private final UUID host;
    private final Set<String> used = new HashSet<>();
    private final Map<String, Integer> numbered = new HashMap<>();

    /** What is wanted: a typed ending, one made by a pattern, or with empty text any. */
    record Wanted(String text, boolean isTyped) {}

    /** What is given: with a fault it is what was wanted, and {@code alternative} is free. */
    record Given(String slug, String fault, Optional<Slug> alternative) {
        static Given of(Slug slug) {
            return new Given(slug.value(), "", Optional.empty());
        }
    }

    SlugSheet(Slugs slugs, UUID host) {
        this.slugs = slugs;
        this.host = host;
    }

    List<Given> give(List<Wanted> wanted) {
        Map<String, String> taken = slugs.taken(
                host,
                wanted.stream()
                        .flatMap(one -> find(one.text()).stream())
                        .map(Slug::skeleton)
                        .toList());
        List<Optional<Given>> given = new ArrayList<>();
        for (Wanted one : wanted) {
            given.add(
                    one.text().isEmpty() || (!one.isTyped() && find(one.text()).isEmpty())
                            ? Optional.empty()
                            : Optional.of(judge(one, taken)));
        }
        List<Slug> random =
                random((int) given.stream().filter(Optional::isEmpty).count());
        java.util.Iterator<Slug> next = random.iterator();
        return given.stream()
                .map(one -> one.orElseGet(() -> Given.of(next.next())))
                .toList();
    }

    private Given judge(Wanted wanted, Map<String, String> taken) {
        Slug slug;
        try {
            slug = Slug.of(wanted.text());
        } catch (IllegalArgumentException e) {
            return new Given(wanted.text(), String.valueOf(e.getMessage()), Optional.empty());
        }
        Optional<String> fault = fault(slug, taken);
        if (fault.isEmpty()) {
            used.add(slug.skeleton());
            return Given.of(slug);
        }
        Slug free = numbered(slug);
        if (wanted.isTyped()) {
            return new Given(wanted.text(), fault.get(), Optional.of(free));
        }
        used.add(free.skeleton());
        return Given.of(free);
    }

    private Optional<String> fault(Slug slug, Map<String, String> taken) {
        Optional<String> rule = slugs.rules().refusal(slug);
        if (rule.isPresent()) {
            return rule;
        }
        if (used.contains(slug.skeleton())) {
            return Optional.of("Another link on this sheet ends so, or looks the same.");
        }
        return Optional.ofNullable(taken.get(slug.skeleton()))
                .map(existing -> existing.equals(slug.value())
                        ? "\"%s\" is taken by another link.".formatted(slug)
                        : "\"%s\" looks like \"%s\", which is taken.".formatted(slug, existing));
    }

    /** The nearest free ending: with a number behind it. Long sheets of one stem count on from where they were. */
    private Slug numbered(Slug wanted) {
        String stem = wanted.value().substring(0, Math.min(wanted.value().length(), Slug.MAX_LENGTH - 6));
        String start = stem.endsWith("-") ? stem : stem + "-";
        for (int from = numbered.getOrDefault(start, 2); from < 100_000; from += NUMBERS_AT_ONCE) {
            List<Slug> candidates = IntStream.range(from, from + NUMBERS_AT_ONCE)
                    .mapToObj(number -> Slug.of(start + number))
                    .filter(slug -> !used.contains(slug.skeleton()))
                    .filter(slug -> slugs.rules().refusal(slug).isEmpty())
                    .toList();
            Set<String> taken = slugs.taken(
                            host, candidates.stream().map(Slug::skeleton).toList())
                    .keySet();
            for (Slug slug : candidates) {
                if (!taken.contains(slug.skeleton())) {
                    numbered.put(start, from);
                    return slug;
                }
            }
        }
        return random(1).get(0);
    }

    private List<Slug> random(int count) {
        List<Slug> found = new ArrayList<>();
        while (found.size() < count) {
            Set<Slug> candidates = new HashSet<>();
            while (candidates.size() < count - found.size()) {
                candidates.add(slugs.rules().generate(RANDOM, slug -> !used.contains(slug.skeleton())));
            }
            Set<String> taken = slugs.taken(
                            host, candidates.stream().map(Slug::skeleton).toList())
                    .keySet();
            for (Slug slug : candidates) {
                if (!taken.contains(slug.skeleton()) && used.add(slug.skeleton())) {
                    found.add(slug);
                }
            }
        }
        return found;
    }

    private static Optional<Slug> find(String text) {
        try {
            return Optional.of(Slug.of(text));
        } catch (IllegalArgumentException e) {
            return Optional.empty();
        }
    }
}
