package wendo.core.links;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.LocalTime;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class RoutingTest {
    private static final LocalDateTime NOON = LocalDateTime.parse("2026-05-06T12:00"); // a Wednesday
    private static final Conditions.Hours NIGHT = new Conditions.Hours(LocalTime.of(22, 0), LocalTime.of(6, 0));
    private static final UUID LINK = new UUID(3, 4);
    private static final Way OWN = way(0);

    private static Way way(int number) {
        return new Way(new UUID(9, number), "https://page.example/" + number);
    }

    private static Circumstances at(LocalDateTime at) {
        return new Circumstances(at, "GB", Device.PHONE, "en", new UUID(1, 2), LINK);
    }

    private static Conditions countries(String... countries) {
        return new Conditions(
                Optional.empty(), Optional.empty(), Set.of(), Optional.empty(), Set.of(countries), Set.of(), Set.of());
    }

    private static Conditions hours(Conditions.Hours hours) {
        return new Conditions(
                Optional.empty(), Optional.empty(), Set.of(), Optional.of(hours), Set.of(), Set.of(), Set.of());
    }

    @ParameterizedTest
    @CsvSource({
        "21:59, false",
        "22:00, true",
        "23:59, true",
        "00:00, true",
        "05:59, true",
        "06:00, false",
        "12:00, false"
    })
    void hours_may_cross_midnight(LocalTime time, boolean holds) {
        assertThat(hours(NIGHT).hold(at(LocalDate.of(2026, 5, 6).atTime(time)))).isEqualTo(holds);
        Conditions.Hours day = new Conditions.Hours(NIGHT.until(), NIGHT.from());
        assertThat(hours(day).hold(at(LocalDate.of(2026, 5, 6).atTime(time)))).isEqualTo(!holds);
    }

    @Test
    void all_that_is_said_must_hold_and_both_days_are_included() {
        Conditions when = new Conditions(
                Optional.of(LocalDate.of(2026, 5, 6)),
                Optional.of(LocalDate.of(2026, 5, 7)),
                Set.of(DayOfWeek.WEDNESDAY, DayOfWeek.THURSDAY),
                Optional.empty(),
                Set.of("GB", "IE"),
                Set.of(Device.PHONE),
                Set.of("en"));
        assertThat(when.hold(at(NOON))).isTrue();
        assertThat(when.hold(at(NOON.plusDays(1)))).isTrue();
        assertThat(when.hold(at(NOON.plusDays(2)))).isFalse();
        assertThat(when.hold(at(NOON.minusDays(1)))).isFalse();
        assertThat(when.hold(at(NOON.plusDays(7)))).isFalse();
        assertThat(when.hold(new Circumstances(NOON, "FR", Device.PHONE, "en", LINK, LINK)))
                .isFalse();
        assertThat(when.hold(new Circumstances(NOON, "", Device.PHONE, "en", LINK, LINK)))
                .isFalse();
        assertThat(when.hold(new Circumstances(NOON, "IE", Device.TABLET, "en", LINK, LINK)))
                .isFalse();
        assertThat(when.hold(new Circumstances(NOON, "IE", Device.PHONE, "fr", LINK, LINK)))
                .isFalse();
    }

    @Test
    void the_first_rule_that_holds_leads() {
        Routing routing = new Routing(
                List.of(
                        new Routing.Rule(hours(NIGHT), way(1)),
                        new Routing.Rule(countries("GB"), way(2)),
                        new Routing.Rule(countries("GB", "FR"), way(3))),
                List.of());
        assertThat(routing.lead(at(NOON.withHour(23)), OWN)).isEqualTo(way(1));
        assertThat(routing.lead(at(NOON), OWN)).isEqualTo(way(2));
        assertThat(routing.lead(new Circumstances(NOON, "FR", Device.PHONE, "", LINK, LINK), OWN))
                .isEqualTo(way(3));
        assertThat(routing.lead(new Circumstances(NOON, "", Device.PHONE, "", LINK, LINK), OWN))
                .isEqualTo(OWN);
        assertThat(RoutingPreview.of(routing, NOON))
                .extracting(group -> group.country().orElse("-")
                        + group.rule().map(String::valueOf).orElse("own"))
                .containsExactly("FR2", "GB1", "own");
        assertThat(RoutingPreview.of(routing, NOON.withHour(23)))
                .allMatch(group -> group.rule().equals(Optional.of(0)));
    }

    @Test
    void the_preview_tells_apart_only_what_the_rules_do() {
        Conditions phones = new Conditions(
                Optional.empty(),
                Optional.empty(),
                Set.of(),
                Optional.empty(),
                Set.of("IE"),
                Set.of(Device.PHONE),
                Set.of("ga"));
        List<RoutingPreview.Group> groups =
                RoutingPreview.of(new Routing(List.of(new Routing.Rule(phones, way(1))), List.of()), NOON);
        assertThat(groups).hasSize(2 * 3 * 2);
        assertThat(groups.stream().filter(group -> group.rule().isPresent()))
                .containsExactly(new RoutingPreview.Group(
                        Optional.of("IE"), Optional.of(Device.PHONE), Optional.of("ga"), Optional.of(0)));
        assertThat(RoutingPreview.of(Routing.none(), NOON))
                .containsExactly(new RoutingPreview.Group(
                        Optional.empty(), Optional.empty(), Optional.empty(), Optional.empty()));
    }

    @Test
    void a_split_keeps_its_shares_and_each_person_their_way() {
        Routing split = new Routing(List.of(), List.of(new Routing.Share(30, way(1)), new Routing.Share(20, way(2))));
        assertThat(split.ownPercent()).isEqualTo(50);
        Random random = new Random(5);
        Map<Way, Integer> counts = new HashMap<>();
        int people = 20_000;
        int sameOnBoth = 0;
        for (int i = 0; i < people; i++) {
            UUID visitor = new UUID(random.nextLong(), random.nextLong());
            Way led = split.lead(new Circumstances(NOON, "", Device.PHONE, "", visitor, LINK), OWN);
            assertThat(split.lead(new Circumstances(NOON.plusDays(9), "FR", Device.TABLET, "fr", visitor, LINK), OWN))
                    .isEqualTo(led);
            counts.merge(led, 1, Integer::sum);
            UUID otherLink = new UUID(7, 8);
            if (split.lead(new Circumstances(NOON, "", Device.PHONE, "", visitor, otherLink), OWN)
                    .equals(led)) {
                sameOnBoth++;
            }
        }
        // Four standard errors of a proportion, sqrt(p(1-p)/n).
        assertThat(counts.getOrDefault(way(1), 0) / (double) people).isCloseTo(0.30, within(0.013));
        assertThat(counts.getOrDefault(way(2), 0) / (double) people).isCloseTo(0.20, within(0.012));
        assertThat(counts.getOrDefault(OWN, 0) / (double) people).isCloseTo(0.50, within(0.015));
        // Independent from link to link: the same way on both by chance only, 0.3² + 0.2² + 0.5² = 0.38.
        assertThat(sameOnBoth / (double) people).isCloseTo(0.38, within(0.014));
    }

    @Test
    void what_makes_no_sense_is_refused_in_words() {
        assertThatThrownBy(() -> countries()).hasMessageContaining("at least one condition");
        assertThatThrownBy(() -> new Conditions.Hours(LocalTime.NOON, LocalTime.NOON))
                .hasMessageContaining("differ");
        assertThatThrownBy(() -> new Routing.Share(0, OWN)).hasMessageContaining("but was 0");
        assertThatThrownBy(() -> new Routing.Share(100, OWN)).hasMessageContaining("but was 100");
        assertThatThrownBy(() ->
                        new Routing(List.of(), List.of(new Routing.Share(50, way(1)), new Routing.Share(50, way(2)))))
                .hasMessageContaining("take 100 of a hundred");
        assertThatThrownBy(() -> new Conditions(
                        Optional.of(LocalDate.MAX),
                        Optional.of(LocalDate.MIN),
                        Set.of(),
                        Optional.empty(),
                        Set.of(),
                        Set.of(),
                        Set.of()))
                .hasMessageContaining("before the first");
        Routing.Rule rule = new Routing.Rule(countries("GB"), OWN);
        assertThatThrownBy(() -> new Routing(java.util.Collections.nCopies(13, rule), List.of()))
                .hasMessageContaining("12 rules; these are 13");
        assertThat(new Routing(java.util.Collections.nCopies(12, rule), List.of()).isNone())
                .isFalse();
    }

    /** The examples of RFC 9110, section 12.5.4, and what browsers and robots send. */
    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "da, en-gb;q=0.8, en;q=0.7 | da",
                "en-GB,en;q=0.9 | en",
                "fr;q=0.5, de;q=0.9 | de",
                "* | ''",
                "*;q=0.5, ga-IE;q=0.1 | ga",
                "'' | ''",
                "not a header;; | ''",
                "en;q=0 | ''"
            })
    void the_language_is_the_one_asked_for_first(String header, String language) {
        assertThat(Circumstances.languageOf(header)).isEqualTo(language);
        assertThat(Circumstances.languageOf(header + " ".repeat(600) + "x")).isEmpty();
    }

    /** User agents as the browsers' own documentation gives them, shortened. */
    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "Mozilla/5.0 (Linux; Android 10; K) AppleWebKit/537.36 (KHTML, like Gecko) Chrome/150.0.0.0 Mobile Safari/537.36 | PHONE",
                "Mozilla/5.0 (Linux; Android 10; K) AppleWebKit/537.36 (KHTML, like Gecko) Chrome/150.0.0.0 Safari/537.36 | TABLET",
                "Mozilla/5.0 (iPhone; CPU iPhone OS 18_5 like Mac OS X) AppleWebKit/605.1.15 (KHTML, like Gecko) Version/18.5 Mobile/15E148 Safari/604.1 | PHONE",
                "Mozilla/5.0 (iPad; CPU OS 12_5 like Mac OS X) AppleWebKit/605.1.15 (KHTML, like Gecko) Version/12.1 Mobile/15E148 Safari/604.1 | TABLET",
                "Mozilla/5.0 (X11; Linux x86_64; rv:140.0) Gecko/20100101 Firefox/140.0 | COMPUTER",
                "'' | COMPUTER"
            })
    void devices_are_told_by_their_user_agents(String userAgent, Device device) {
        assertThat(Device.of(userAgent)).isEqualTo(device);
    }
}
