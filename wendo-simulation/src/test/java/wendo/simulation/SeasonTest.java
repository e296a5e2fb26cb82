package wendo.simulation;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.List;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;

class SeasonTest {
    private static final ZoneId LONDON = ZoneId.of("Europe/London");
    private static final LocalDate FIRST = LocalDate.of(2026, 5, 26);
    private static final Instant END = FIRST.plusWeeks(26).atStartOfDay(LONDON).toInstant();
    private static final Season SEASON = SeasonSimulation.play(
            MarramPoint.WORLD, SeasonSimulation.SEED, new SeasonSimulation.Start(FIRST, LONDON), END);

    @Test
    void a_season_is_full() {
        assertThat(SEASON.visits()).hasSizeGreaterThan(20_000);
        assertThat(SEASON.outcomes()).hasSizeGreaterThan(600);
        assertThat(MarramPoint.WORLD.sources()).hasSizeGreaterThanOrEqualTo(12);
        assertThat(MarramPoint.WORLD.sources().stream().map(TrueSource::channel).collect(Collectors.toSet()))
                .hasSizeGreaterThanOrEqualTo(7);
    }

    @Test
    void a_season_that_goes_on_keeps_what_has_been() {
        Instant middle = FIRST.plusWeeks(13).atStartOfDay(LONDON).toInstant();
        Season half = SeasonSimulation.play(
                MarramPoint.WORLD, SeasonSimulation.SEED, new SeasonSimulation.Start(FIRST, LONDON), middle);
        List<Season.Came> before = SEASON.visits().stream()
                .filter(visit -> !visit.click().arrivedAt().isAfter(middle))
                .toList();
        assertThat(half.visits()).hasSizeGreaterThan(5_000).isEqualTo(before);
        assertThat(half.outcomes())
                .isEqualTo(SEASON.outcomes().stream()
                        .filter(outcome -> !outcome.reportedAt().isAfter(middle))
                        .toList());
    }

    @Test
    void outcomes_follow_their_visit_and_have_references_of_their_own() {
        assertThat(SEASON.outcomes())
                .allMatch(outcome -> outcome.click()
                        .map(click -> click.arrivedAt().isBefore(outcome.at()))
                        .orElse(true));
        assertThat(SEASON.outcomes().stream()
                        .map(outcome -> outcome.kind() + outcome.reference())
                        .distinct())
                .hasSameSizeAs(SEASON.outcomes());
        long lost = SEASON.outcomes().stream()
                .filter(outcome -> outcome.click().isEmpty() && outcome.code().isEmpty())
                .count();
        assertThat((double) lost / SEASON.outcomes().size()).isBetween(0.03, 0.12);
    }

    @Test
    void it_has_what_goes_wrong_in_a_season() {
        assertThat(SEASON.visits()).anyMatch(Season.Came::isTest);
        assertThat(SEASON.visits().stream().filter(visit -> visit.userAgent().contains("bot")))
                .isNotEmpty();
        assertThat(SEASON.outcomes()).anyMatch(outcome -> outcome.code().isPresent());
        assertThat(SEASON.outcomes()).anyMatch(outcome -> outcome.reportedAt().isAfter(outcome.at()));
        assertThat(SEASON.outcomes().stream()
                        .flatMap(outcome -> outcome.takenBack().stream()
                                .map(refund -> Math.signum(outcome.valueMinor() - refund.minor())))
                        .distinct())
                .as("in whole and in part")
                .containsExactlyInAnyOrder(0f, 1f);
        assertThat(MarramPoint.WORLD.sources().stream().map(TrueSource::code).distinct())
                .hasSameSizeAs(MarramPoint.WORLD.sources());
    }
}
