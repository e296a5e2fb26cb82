package wendo.app.issue.links;

import java.security.SecureRandom;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.Iterator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.IntStream;
import wendo.app.platform.site.Texts;
import wendo.core.links.Slug;

/** The endings of one sheet: typed ones are checked, made ones are made free, and no two of the sheet are confusable. */
final class SlugSheet {
    private static final int NUMBERS_AT_ONCE = 100;
    private static final int MOST_NUMBERS = 100_000;
    private static final SecureRandom RANDOM = new SecureRandom();

    private final Slugs slugs;
    private final UUID host;
    private final Set<String> used = new HashSet<>();
    private final Map<String, Numbers> numbered = new HashMap<>();

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
        Iterator<Slug> next = random.iterator();
        return given.stream()
                .map(one -> one.orElseGet(() -> Given.of(next.next())))
                .toList();
    }

    private Given judge(Wanted wanted, Map<String, String> taken) {
        Slug slug;
        try {
            slug = Slug.of(wanted.text());
        } catch (IllegalArgumentException e) {
            return new Given(wanted.text(), Texts.said(e), Optional.empty());
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
        Optional<String> rule = slugs.rules().refusal(slug).map(Texts::of);
        if (rule.isPresent()) {
            return rule;
        }
        if (used.contains(slug.skeleton())) {
            return Optional.of(Texts.of("issue.links.another-link-on-this-sheet"));
        }
        return Optional.ofNullable(taken.get(slug.skeleton()))
                .map(existing -> existing.equals(slug.value())
                        ? Texts.of("issue.links.is-taken-by-another-link", slug)
                        : Texts.of("issue.links.looks-like-which-is-taken", slug, existing));
    }

    /** The nearest free ending: with a number behind it. Long sheets of one stem count on from where they were. */
    private Slug numbered(Slug wanted) {
        String stem = wanted.value().substring(0, Math.min(wanted.value().length(), Slug.MAX_LENGTH - 6));
        String start = stem.endsWith("-") ? stem : stem + "-";
        Numbers numbers = numbered.computeIfAbsent(start, key -> new Numbers());
        while (numbers.next < MOST_NUMBERS) {
            if (numbers.next >= numbers.askedBefore) {
                numbers.ask(start);
            }
            Slug slug = Slug.of(start + numbers.next++);
            if (!used.contains(slug.skeleton())
                    && !numbers.taken.contains(slug.skeleton())
                    && slugs.rules().refusal(slug).isEmpty()) {
                return slug;
            }
        }
        return random(1).get(0);
    }

    /** Up to which number one stem is used on this sheet, and which of the next numbers the host has already. */
    private final class Numbers {
        private int next = 2;
        private int askedBefore = 2;
        private Set<String> taken = Set.of();

        private void ask(String start) {
            List<String> skeletons = IntStream.range(next, next + NUMBERS_AT_ONCE)
                    .mapToObj(number -> Slug.of(start + number).skeleton())
                    .toList();
            taken = slugs.taken(host, skeletons).keySet();
            askedBefore = next + NUMBERS_AT_ONCE;
        }
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
