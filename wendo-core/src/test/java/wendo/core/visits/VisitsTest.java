package wendo.core.visits;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.SplittableRandom;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import wendo.core.links.Channel;

class VisitsTest {
    private static final Instant NOON = Instant.parse("2026-05-03T12:00:00Z");
    private static final String BROWSER =
            "Mozilla/5.0 (Windows NT 10.0; Win64; x64) AppleWebKit/537.36 Chrome/150.0.0.0 Safari/537.36";

    private final Sorting sorting = new Sorting(List.of("bot\\b", "^curl"));

    /** RFC 9562, appendix A.6: the example of a version 7 UUID, of 2022-02-22 14:22:22 GMT-05:00. */
    @Test
    void a_click_identifier_carries_the_millisecond_of_its_visit() {
        ClickId example = new ClickId(UUID.fromString("017f22e2-79b0-7cc3-98c4-dc0c0c07398f"));
        assertThat(example.arrivedAt()).isEqualTo(Instant.parse("2022-02-22T19:22:22Z"));
        assertThat(ClickId.of(NOON.plusMillis(7), new SplittableRandom(1)).arrivedAt())
                .isEqualTo(NOON.plusMillis(7));
    }

    @Test
    void a_click_identifier_survives_writing_shouting_and_reading() {
        SplittableRandom random = new SplittableRandom(2);
        for (int i = 0; i < 1000; i++) {
            ClickId click = ClickId.of(Instant.ofEpochMilli(random.nextLong(1L << 48)), random);
            assertThat(click.toString()).hasSize(26).matches("[0-9a-hjkmnp-tv-z]+");
            assertThat(ClickId.find(" " + click.toString().toUpperCase(java.util.Locale.ROOT)))
                    .hasValue(click);
            assertThat(click.uuid().variant()).isEqualTo(2);
        }
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "",
                "abc",
                "{{click}}",
                "zzzzzzzzzzzzzzzzzzzzzzzzzz",
                "00000000000000000000000000",
                "01hgw2n7ehp0b7x8xq1v4r5tqu"
            })
    void what_is_not_one_of_ours_is_not_read(String text) {
        assertThat(ClickId.find(text)).isEmpty();
        assertThatThrownBy(() -> new ClickId(new UUID(0, 0))).hasMessageContaining("version 7");
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            nullValues = "none",
            value = {
                "x | '' | 0 | PERSON",
                "goodbot/1.0 | '' | 0 | ROBOT",
                "curl/8 | '' | 0 | ROBOT",
                "about curl/8 | '' | 0 | PERSON",
                "'' | '' | 0 | ROBOT",
                "WhatsApp/2.24 | '' | 0 | PREVIEW",
                "x | prefetch | 0 | PREVIEW",
                "x | prefetch;prerender | 0 | PREVIEW",
                "goodbot/1.0 | prefetch | 0 | PREVIEW",
                "x | '' | 1 | REPEAT",
                "x | '' | 29 | REPEAT",
                "x | '' | 30 | PERSON",
                "x | '' | -29 | REPEAT",
                "x | '' | -30 | PERSON",
                "goodbot/1.0 | '' | 1 | ROBOT",
            })
    void arrivals_are_sorted(String agent, String purpose, long secondsSince, VisitKind kind) {
        Optional<Instant> previous =
                secondsSince == 0 ? Optional.empty() : Optional.of(NOON.minusSeconds(secondsSince));
        String userAgent = agent.equals("x") ? BROWSER : agent;
        Sorted sorted = sorting.sort(new Arrival("v", "l", NOON, userAgent, purpose), previous);
        assertThat(sorted.kind()).isEqualTo(kind);
        assertThat(sorted.reason()).isNotBlank().hasSizeLessThanOrEqualTo(200);
    }

    @Test
    void visits_less_than_half_an_hour_apart_are_one_touch() {
        UUID cards = new UUID(1, 1);
        UUID news = new UUID(2, 2);
        List<Touch.Step> visits = List.of(
                step(news, 20), step(cards, 0), step(cards, 29), step(cards, 58), step(cards, 88), step(news, 50));
        assertThat(Touch.join(visits))
                .extracting(
                        Touch::source, touch -> touch.startedAt().getEpochSecond() / 60 - NOON.getEpochSecond() / 60)
                .containsExactly(
                        org.assertj.core.groups.Tuple.tuple(cards, 0L),
                        org.assertj.core.groups.Tuple.tuple(news, 20L),
                        org.assertj.core.groups.Tuple.tuple(news, 50L),
                        org.assertj.core.groups.Tuple.tuple(cards, 88L));
        assertThat(Touch.join(List.of())).isEmpty();
    }

    private static Touch.Step step(UUID source, int minute) {
        Instant at = NOON.plusSeconds(60L * minute);
        return new Touch.Step(
                source,
                Channel.PRINT,
                ClickId.of(at, new SplittableRandom(minute)).uuid(),
                at);
    }
}
