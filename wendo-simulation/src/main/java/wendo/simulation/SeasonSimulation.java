package wendo.simulation;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.SplittableRandom;
import java.util.UUID;
import wendo.core.outcomes.OutcomeKind;
import wendo.core.visits.ClickId;

/**
 * Plays a season day by day. Each source's day has a random generator of its own, seeded by both, so that the same days
 * always bring the same people, however far the season has gone.
 */
public final class SeasonSimulation {
    /** What people do in a season; newsletters have nothing to join there. */
    static final List<OutcomeKind> KINDS = List.of(OutcomeKind.LEAD, OutcomeKind.BOOKING, OutcomeKind.PURCHASE);

    public static final int WEEKS = 26;

    /** The demo's own. */
    public static final long SEED = 20_260_501L;

    private final World world;
    private final Arriving arriving;
    private final long seed;
    private final LocalDate firstDay;
    private final ZoneId zone;
    private final List<Season.Came> visits = new ArrayList<>();
    private final List<Season.Did> outcomes = new ArrayList<>();

    private SeasonSimulation(World world, long seed, LocalDate firstDay, ZoneId zone) {
        this.world = world;
        this.arriving = new Arriving(firstDay);
        this.seed = seed;
        this.firstDay = firstDay;
        this.zone = zone;
    }

    /** What happens from the first day of a season until an instant, with what is known then. */
    public static Season play(World world, long seed, Start start, Instant until) {
        return play(world, seed, start, new End(until.atZone(start.zone()).toLocalDate(), until));
    }

    /** What the first day of a season is, and where. */
    public record Start(LocalDate firstDay, ZoneId zone) {}

    /** What is known at an instant of those who come first until the last day. */
    public record End(LocalDate lastDay, Instant until) {}

    static Season play(World world, long seed, Start start, End end) {
        SeasonSimulation simulation = new SeasonSimulation(world, seed, start.firstDay(), start.zone());
        for (int source = 0; source < world.sources().size(); source++) {
            simulation.test(source);
            for (LocalDate day = start.firstDay(); !day.isAfter(end.lastDay()); day = day.plusDays(1)) {
                simulation.playDay(source, day);
            }
        }
        return new Season(
                simulation.visits.stream()
                        .filter(visit -> !visit.click().arrivedAt().isAfter(end.until()))
                        .sorted(Comparator.comparing(visit -> visit.click().arrivedAt()))
                        .toList(),
                simulation.outcomes.stream()
                        .filter(outcome -> !outcome.reportedAt().isAfter(end.until()))
                        .sorted(Comparator.comparing(Season.Did::reportedAt))
                        .toList());
    }

    private SplittableRandom random(int source, long day) {
        return new SplittableRandom(seed + 1_000_003L * source + 7919L * day);
    }

    /** The business tries each link out before anybody else has it. */
    private void test(int index) {
        SplittableRandom random = random(index, firstDay.toEpochDay() - 1);
        TrueSource source = world.sources().get(index);
        for (TrueSource.Placed link : source.links()) {
            Instant at = firstDay.plusWeeks(link.firstWeek())
                    .minusDays(1)
                    .atTime(10, 0)
                    .atZone(zone)
                    .toInstant();
            for (int i = 0; i < world.habits().tests(); i++) {
                ClickId click = ClickId.of(at.plusSeconds(90L * i), random);
                visits.add(new Season.Came(click, link.slug(), newId(random), Browsers.ordinary(random), "", true));
            }
        }
    }

    private void playDay(int index, LocalDate day) {
        SplittableRandom random = random(index, day.toEpochDay());
        TrueSource source = world.sources().get(index);
        int people = poisson(arriving.expected(source, day), random);
        for (int i = 0; i < people; i++) {
            playPerson(source, timeOn(day, random), random);
        }
        int robots = poisson(arriving.expected(source, day) * world.habits().robots(), random);
        for (int i = 0; i < robots; i++) {
            come(source, timeOn(day, random), new Visitor(newId(random), Browsers.automatic(random)), random);
        }
    }

    private void playPerson(TrueSource source, Instant at, SplittableRandom random) {
        Visitor visitor = new Visitor(newId(random), Browsers.ordinary(random));
        ClickId click = come(source, at, visitor, random);
        if (random.nextDouble() < world.habits().doubleTap()) {
            click = come(source, at.plusSeconds(2 + random.nextInt(20)), visitor, random);
        }
        TrueSource last = source;
        Instant lastAt = click.arrivedAt();
        if (random.nextDouble() < world.habits().returning()) {
            last = world.sources().get(random.nextInt(world.sources().size()));
            lastAt = at.plus(Duration.ofMinutes(90 + random.nextInt(60 * 24 * 14)));
            click = come(last, lastAt, visitor, random);
        }
        for (OutcomeKind kind : KINDS) {
            act(kind, last, new Last(click, lastAt), random);
        }
    }

    private record Visitor(UUID id, String userAgent) {}

    private ClickId come(TrueSource source, Instant at, Visitor visitor, SplittableRandom random) {
        ClickId click = ClickId.of(at, random);
        long week = (at.atZone(zone).toLocalDate().toEpochDay() - firstDay.toEpochDay()) / 7;
        String slug = source.links().stream()
                .filter(link -> link.firstWeek() <= week)
                .reduce((first, second) -> second)
                .orElse(source.links().get(0))
                .slug();
        visits.add(new Season.Came(
                click, slug, visitor.id(), visitor.userAgent(), Browsers.referrer(source.channel()), false));
        return click;
    }

    private record Last(ClickId click, Instant at) {}

    /** All dice are thrown whether or not it happens, so that a changed rate changes nobody else. */
    private void act(OutcomeKind kind, TrueSource source, Last last, SplittableRandom random) {
        double chance = random.nextDouble();
        double delay = -Math.log(1 - random.nextDouble());
        long value = Math.round(world.averageMinor(kind) * (0.5 + random.nextDouble()) / 50) * 50;
        double told = random.nextDouble();
        double late = random.nextDouble();
        double refund = random.nextDouble();
        long days = 1 + random.nextInt(10);
        if (chance >= source.rate(kind)) {
            return;
        }
        Habits habits = world.habits();
        Instant at = last.at().plusSeconds(90 + (long) (delay * 3600 * 9));
        boolean isLost = told < habits.lost();
        boolean isAtTill = !isLost && told < habits.lost() + habits.atTheTill();
        outcomes.add(new Season.Did(
                kind,
                kind.name().substring(0, 1) + "-"
                        + last.click().toString().substring(18).toUpperCase(Locale.ROOT),
                value,
                isLost || isAtTill ? Optional.empty() : Optional.of(last.click()),
                isAtTill ? Optional.of(source.code()) : Optional.empty(),
                at,
                late < habits.late() ? at.plus(Duration.ofDays(days)) : at,
                kind == OutcomeKind.LEAD
                        ? Optional.empty()
                        : takenBack(refund, value, at.plus(Duration.ofDays(days)))));
    }

    private Optional<Season.TakenBack> takenBack(double chance, long value, Instant at) {
        Habits habits = world.habits();
        if (chance < habits.refundedWhole()) {
            return Optional.of(new Season.TakenBack(value, at));
        }
        return chance < habits.refundedWhole() + habits.refundedPart()
                ? Optional.of(new Season.TakenBack(value / 2, at))
                : Optional.empty();
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
