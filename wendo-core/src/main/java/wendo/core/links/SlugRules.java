package wendo.core.links;

import java.util.Arrays;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import java.util.random.RandomGenerator;
import java.util.stream.Collectors;
import wendo.core.text.Sentence;

/** Which slugs may be given out, and how new ones are made. */
public final class SlugRules {
    /** Crockford base 32 without vowels, and without the pairs that {@link Slug#skeleton()} folds together. */
    private static final String ALPHABET = "3469cdfghjkmnpqrtvwxy7";

    private static final int GENERATED_LENGTH = 6;

    /** Names that a link host answers itself, or that people would take for the business's own pages. */
    private static final Set<String> RESERVED = Set.of(
            "admin",
            "api",
            "app",
            "assets",
            "error",
            "favicon",
            "health",
            "help",
            "login",
            "logout",
            "robots",
            "security",
            "settings",
            "setup",
            "sign-in",
            "sitemap",
            "static",
            "support",
            "wendo",
            "well-known",
            "www");

    private static final Set<String> RESERVED_SKELETONS =
            RESERVED.stream().map(word -> new Slug(word).skeleton()).collect(Collectors.toUnmodifiableSet());

    /** Short words hide inside harmless ones, so they are refused only where they stand alone. */
    private static final int HIDDEN_WORD_LENGTH = 5;

    private final Set<String> offensiveAlone;
    private final List<String> offensiveAnywhere;

    /** @param offensiveWords lower-case words that no link of a business should spell */
    public SlugRules(Collection<String> offensiveWords) {
        this.offensiveAlone = Set.copyOf(offensiveWords);
        this.offensiveAnywhere = offensiveWords.stream()
                .filter(word -> word.length() >= HIDDEN_WORD_LENGTH)
                .map(word -> word.replace(" ", ""))
                .toList();
    }

    /** Why this slug is not given out to anybody, if it is not. */
    public Optional<Sentence> refusal(Slug slug) {
        if (RESERVED_SKELETONS.contains(slug.skeleton())) {
            return Optional.of(Sentence.of("links.ending-kept", slug));
        }
        String joined = slug.value().replace("-", "");
        boolean rude = offensiveAlone.contains(joined)
                || Arrays.stream(slug.value().split("-")).anyMatch(offensiveAlone::contains)
                || offensiveAnywhere.stream().anyMatch(joined::contains);
        return rude ? Optional.of(Sentence.of("links.ending-embarrasses", slug)) : Optional.empty();
    }

    /** A slug without look-alikes that is free by the given test. */
    public Slug generate(RandomGenerator random, Predicate<Slug> isFree) {
        for (int attempt = 0; attempt < 1000; attempt++) {
            StringBuilder text = new StringBuilder(GENERATED_LENGTH);
            for (int i = 0; i < GENERATED_LENGTH; i++) {
                text.append(ALPHABET.charAt(random.nextInt(ALPHABET.length())));
            }
            Slug slug = new Slug(text.toString());
            if (refusal(slug).isEmpty() && isFree.test(slug)) {
                return slug;
            }
        }
        throw new IllegalStateException("No free ending found in 1000 tries; the host is full");
    }

    /** The nearest free slug to a wanted one: with a number behind it. */
    public Slug alternative(Slug wanted, Predicate<Slug> isFree) {
        String stem = wanted.value().substring(0, Math.min(wanted.value().length(), Slug.MAX_LENGTH - 4));
        for (int number = 2; number < 1000; number++) {
            Slug slug = Slug.of((stem.endsWith("-") ? stem : stem + "-") + number);
            if (refusal(slug).isEmpty() && isFree.test(slug)) {
                return slug;
            }
        }
        return generate(RandomGenerator.getDefault(), isFree);
    }
}
