package wendo.core.links;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.SplittableRandom;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import wendo.core.text.Sentence;

class SlugTest {
    private final SlugRules rules = new SlugRules(List.of("rude", "rudeword"));

    @Test
    void letter_case_and_space_around_never_matter() {
        assertThat(Slug.of(" AB12 ")).isEqualTo(Slug.of("ab12"));
    }

    @ParameterizedTest
    @ValueSource(strings = {"a", "", "-ab", "ab-", "a b", "a/b", "é9", "a.b", "a_b"})
    void only_letters_digits_and_inner_hyphens_make_a_slug(String text) {
        assertThatThrownBy(() -> Slug.of(text)).isInstanceOf(IllegalArgumentException.class);
    }

    @Test
    void a_slug_has_2_to_50_characters() {
        assertThat(Slug.of("ab").value()).isEqualTo("ab");
        assertThat(Slug.of("a".repeat(50)).value()).hasSize(50);
        assertThatThrownBy(() -> Slug.of("a".repeat(51)))
                .hasMessage("An ending has 2 to 50 characters; “%s…” has 51.".formatted("a".repeat(50)));
    }

    /** Crockford's base 32 reads o as 0, and i and l as 1 (crockford.com/base32.html, from memory). */
    @ParameterizedTest
    @CsvSource({"slipway,sl1pway", "s0l,sol", "book-now,booknow", "B8,bb", "2z,zz", "five5,fives"})
    void look_alikes_share_a_skeleton(String one, String other) {
        assertThat(Slug.of(one).skeleton()).isEqualTo(Slug.of(other).skeleton());
    }

    @ParameterizedTest
    @CsvSource({"ab,ac", "news,new", "a1,a7", "mn,nm"})
    void others_do_not(String one, String other) {
        assertThat(Slug.of(one).skeleton()).isNotEqualTo(Slug.of(other).skeleton());
    }

    @Test
    void reserved_and_offensive_words_are_refused_and_harmless_ones_are_not() {
        assertThat(rules.refusal(Slug.of("admin"))).hasValue(Sentence.of("links.ending-kept", "admin"));
        assertThat(rules.refusal(Slug.of("4dmin"))).isEmpty();
        assertThat(rules.refusal(Slug.of("adm1n"))).isPresent();
        assertThat(rules.refusal(Slug.of("my-rude-link"))).isPresent();
        assertThat(rules.refusal(Slug.of("prudent"))).isEmpty();
        assertThat(rules.refusal(Slug.of("arudewordy")))
                .hasValueSatisfying(reason -> assertThat(reason.english()).contains("embarrass"));
    }

    @Test
    void a_word_may_stand_twice() {
        assertThat(rules.refusal(Slug.of("go-go-2-2"))).isEmpty();
        assertThat(rules.refusal(Slug.of("rude-rude"))).isPresent();
    }

    @Test
    void generated_slugs_have_no_look_alikes_and_are_free() {
        SplittableRandom random = new SplittableRandom(1);
        Set<String> skeletons = new HashSet<>();
        for (int i = 0; i < 2000; i++) {
            Slug slug = rules.generate(random, wanted -> !skeletons.contains(wanted.skeleton()));
            assertThat(slug.value())
                    .hasSize(6)
                    .matches("[3469cdfghjkmnpqrtvwxy7]+")
                    .isEqualTo(slug.skeleton());
            assertThat(skeletons.add(slug.skeleton())).isTrue();
        }
        assertThatThrownBy(() -> rules.generate(random, slug -> false)).hasMessageContaining("1000 tries");
    }

    @Test
    void the_alternative_to_a_taken_slug_is_the_next_number() {
        Set<String> taken = Set.of("slipway", "slipway-2");
        assertThat(rules.alternative(Slug.of("slipway"), slug -> !taken.contains(slug.value())))
                .isEqualTo(Slug.of("slipway-3"));
        assertThat(rules.alternative(Slug.of("a".repeat(50)), slug -> true).value())
                .hasSize(48);
    }
}
