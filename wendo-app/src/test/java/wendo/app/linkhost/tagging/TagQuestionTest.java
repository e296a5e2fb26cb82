package wendo.app.linkhost.tagging;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import wendo.app.platform.business.BusinessId;
import wendo.core.audience.TagConsent;
import wendo.core.audience.TagPurpose;
import wendo.core.visits.ClickId;

/** What a visitor's browser brings back, and what it keeps. */
class TagQuestionTest {
    private static final TagQuestion QUESTION = new TagQuestion(
            new BusinessId(new UUID(1, 1)),
            new ClickId(new UUID(0x7000L, 0x8000000000000000L)),
            new UUID(2, 2),
            new UUID(3, 3),
            new UUID(4, 4),
            EnumSet.of(TagPurpose.ADVERTISING, TagPurpose.MEASUREMENT),
            List.of(new UUID(5, 5), new UUID(6, 6)),
            "de",
            "Darf Plover & Söhne?",
            "https://plover.example/?a=1&wcl=x#top");

    @Test
    void it_comes_back_as_it_went_out() {
        assertThat(TagQuestion.find(QUESTION.signed("key"), business -> "key")).contains(QUESTION);
    }

    @Test
    void one_that_was_changed_anywhere_or_signed_by_somebody_else_is_none() {
        String token = QUESTION.signed("key");
        for (int i = 0; i < token.length(); i++) {
            char other = token.charAt(i) == 'A' ? 'B' : 'A';
            assertThat(TagQuestion.find(token.substring(0, i) + other + token.substring(i + 1), business -> "key"))
                    .as("changed at " + i)
                    .isEmpty();
        }
        assertThat(TagQuestion.find(token, business -> "other")).isEmpty();
        assertThat(TagQuestion.find(token, business -> ""))
                .as("no key is no key")
                .isEmpty();
    }

    @ParameterizedTest
    @ValueSource(strings = {"", "x", "0123456789abcdef0123456789abcdef", "0123456789abcdef0123456789abcdef!!!"})
    void nonsense_is_none(String token) {
        assertThat(TagQuestion.find(token, business -> "key")).isEmpty();
        assertThat(TagQuestion.find(token.repeat(500), business -> "key")).isEmpty();
    }

    @ParameterizedTest
    @CsvSource({
        "'',NOTHING,NOTHING",
        "a1,NOTHING,YES",
        "m0,NO,NOTHING",
        "m1a0,YES,NO",
        "zz,NOTHING,NOTHING",
        "a,NOTHING,NOTHING"
    })
    void an_answer_is_read_as_it_is_kept(
            String kept, TagConsent.Recorded measurement, TagConsent.Recorded advertising) {
        BrandAnswer answer = BrandAnswer.read(kept);
        assertThat(answer.of(TagPurpose.MEASUREMENT)).isEqualTo(measurement);
        assertThat(answer.of(TagPurpose.ADVERTISING)).isEqualTo(advertising);
        assertThat(answer.of(TagPurpose.NONE)).isEqualTo(TagConsent.Recorded.NOTHING);
    }

    @Test
    void a_later_answer_replaces_the_purposes_it_was_about_and_no_others() {
        BrandAnswer first = BrandAnswer.read("").with(Set.of(TagPurpose.ADVERTISING), true);
        assertThat(first.write()).isEqualTo("a1");
        assertThat(first.with(Set.of(TagPurpose.MEASUREMENT), false).write()).isEqualTo("m0a1");
        assertThat(first.with(Set.of(TagPurpose.ADVERTISING), false).write()).isEqualTo("a0");
    }
}
