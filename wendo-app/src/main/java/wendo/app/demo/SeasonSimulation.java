package wendo.app.demo;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.SplittableRandom;
import java.util.UUID;
import wendo.core.outcomes.OutcomeKind;
import wendo.core.visits.ClickId;

/**
 * Plays a season day by day. Each source's day has a random generator of its own, seeded by both, so that the same days
 * always bring the same people, however far the season has gone.
 */
final class SeasonSimulation {
    static final int WEEKS = 26;
    private static final long SEED = 20_260_501L;
    private static final int TAIL_DAYS = 28;

    private final LocalDate firstDay;
    private final ZoneId zone;
    private final List<Season.Came> visits = new ArrayList<>();
    private final List<Season.Did> outcomes = new ArrayList<>();

    private SeasonSimulation(LocalDate firstDay, ZoneId zone) {
        this.firstDay = firstDay;
        this.zone = zone;
    }

    /** What happens from the first day of a season until an instant. */
    static Season play(LocalDate firstDay, ZoneId zone, Instant until) {
        SeasonSimulation simulation = new SeasonSimulation(firstDay, zone);
        LocalDate lastDay = until.atZone(zone).toLocalDate();
        for (int source = 0; source < MarramPoint.SOURCES.size(); source++) {
            for (LocalDate day = firstDay; !day.isAfter(lastDay); day = day.plusDays(1)) {
                simulation.playDay(source, day);
            }
        }
        return new Season(
                simulation.visits.stream()
                        .filter(visit -> !visit.click().arrivedAt().isAfter(until))
                        .sorted(Comparator.comparing(visit -> visit.click().arrivedAt()))
                        .toList(),
                simulation.outcomes.stream()
                        .filter(outcome -> !outcome.at().isAfter(until))
                        .sorted(Comparator.comparing(Season.Did::at))
                        .toList());
    }

    private void playDay(int index, LocalDate day) {
        SplittableRandom random = new SplittableRandom(SEED + 1_000_003L * index + 7919L * day.toEpochDay());
        TrueSource source = MarramPoint.SOURCES.get(index);
        int people = poisson(expected(source, day), random);
        for (int i = 0; i < people; i++) {
            playPerson(source, timeOn(day, random), random);
        }
        int robots = poisson(expected(source, day) * MarramPoint.ROBOTS, random);
        for (int i = 0; i < robots; i++) {
            come(source, timeOn(day, random), newId(random), Browsers.automatic(random), random);
        }
    }

    /** People expected by a source on a day: its pattern, times the time of year for steady ones. */
    private double expected(TrueSource source, LocalDate day) {
        long number = day.toEpochDay() - firstDay.toEpochDay();
        double perDay = source.peoplePerSeason() / (WEEKS * 7);
        return switch (source.pattern()) {
            case STEADY ->
                perDay * (0.75 + 0.5 * Math.sin(Math.PI * Math.min(number, WEEKS * 7) / (WEEKS * 7.0))) * weekend(day);
            case FORTNIGHTLY -> perDay * 14 * (number % 14 == 4 ? 0.55 : number % 14 == 5 ? 0.25 : 0.2 / 12);
            case MAILED ->
                source.costs().stream()
                                .mapToDouble(cost -> arriving(number - 7L * cost.firstWeek()))
                                .sum()
                        * source.peoplePerSeason()
                        / source.costs().size();
        };
    }

    private static double weekend(LocalDate day) {
        return day.getDayOfWeek().getValue() >= 6 ? 1.35 : 0.86;
    }

    /** The share of a mailing's people who come on a day after it went out: a rush, then an ever slower trickle. */
    private static double arriving(long daysAfter) {
        return daysAfter < 0 || daysAfter > TAIL_DAYS ? 0 : Math.exp(-daysAfter / 5.0) / 5.35;
    }

    private void playPerson(TrueSource source, Instant at, SplittableRandom random) {
        UUID visitor = newId(random);
        String browser = Browsers.ordinary(random);
        ClickId click = come(source, at, visitor, browser, random);
        if (random.nextDouble() < MarramPoint.DOUBLE_TAP) {
            click = come(source, at.plusSeconds(2 + random.nextInt(20)), visitor, browser, random);
        }
        TrueSource last = source;
        Instant lastAt = click.arrivedAt();
        if (random.nextDouble() < MarramPoint.RETURNING) {
            last = MarramPoint.SOURCES.get(random.nextInt(MarramPoint.SOURCES.size()));
            lastAt = at.plus(Duration.ofMinutes(90 + random.nextInt(60 * 24 * 14)));
            click = come(last, lastAt, visitor, browser, random);
        }
        act(OutcomeKind.LEAD, last.leadRate(), 0, click, lastAt, random);
        act(OutcomeKind.BOOKING, last.bookingRate(), MarramPoint.BOOKING_MINOR, click, lastAt, random);
        act(OutcomeKind.PURCHASE, last.purchaseRate(), MarramPoint.PURCHASE_MINOR, click, lastAt, random);
    }

    private ClickId come(TrueSource source, Instant at, UUID visitor, String userAgent, SplittableRandom random) {
        ClickId click = ClickId.of(at, random);
        long week = (at.atZone(zone).toLocalDate().toEpochDay() - firstDay.toEpochDay()) / 7;
        String slug = source.links().stream()
                .filter(link -> link.firstWeek() <= week)
                .reduce((first, second) -> second)
                .orElse(source.links().get(0))
                .slug();
        visits.add(new Season.Came(click, slug, visitor, userAgent, Browsers.referrer(source.channel())));
        return click;
    }

    private void act(
            OutcomeKind kind, double rate, int averageMinor, ClickId click, Instant after, SplittableRandom random) {
        double chance = random.nextDouble();
        double delay = -Math.log(1 - random.nextDouble());
        long value = averageMinor == 0 ? 0 : Math.round(averageMinor * (0.5 + random.nextDouble()) / 50) * 50;
        boolean isLost = random.nextDouble() < MarramPoint.LOST;
        if (chance < rate) {
            Instant at = after.plusSeconds(90 + (long) (delay * 3600 * 9));
            String reference = kind.name().substring(0, 1) + "-"
                    + click.toString().substring(18).toUpperCase(java.util.Locale.ROOT);
            outcomes.add(new Season.Did(kind, reference, value, isLost ? Optional.empty() : Optional.of(click), at));
        }
    }

    private Instant timeOn(LocalDate day, SplittableRandom random) {
        double hour = 8 + 13 * (random.nextDouble() + random.nextDouble()) / 2;
        return day.atStartOfDay(zone)
                .plusSeconds((long) (hour * 3600))
                .plusNanos(random.nextInt(1000) * 1_000_000L)
                .toInstant();
    }

    private static UUID newId(SplittableRandom random) {
        return new UUID(random.nextLong(), random.nextLong());
    }

    /** Knuth's method; the means here are small. */
    private static int poisson(double mean, SplittableRandom random) {
        double limit = Math.exp(-mean);
        double product = random.nextDouble();
        int count = 0;
        while (product > limit) {
            product *= random.nextDouble();
            count++;
        }
        return count;
    }
}
