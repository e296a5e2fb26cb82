package wendo.core.credit;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.SplittableRandom;
import java.util.UUID;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.MethodSource;
import wendo.core.links.Channel;
import wendo.core.outcomes.Evidence;
import wendo.core.visits.Touch;

class CreditableTouchesTest {
    private static final Instant AT = Instant.parse("2026-07-01T10:00:00Z");
    private static final Touch CLICKED = touch(1, Duration.ofDays(3));
    private static final Touch DIRECT = new Touch(Touch.DIRECT, Channel.OTHER, new UUID(9, 9), AT.minusSeconds(60));
    private static final Touch GIVEN = touch(2, Duration.ZERO);

    private static Touch touch(int source, Duration before) {
        return new Touch(new UUID(0, source), Channel.PARTNER, new UUID(5, source), AT.minus(before));
    }

    private static List<Touch> earned(Evidence evidence, Touch... touches) {
        return CreditableTouches.trail(
                        AT,
                        List.of(touches),
                        Optional.of(new CreditableTouches.Given(evidence, GIVEN)),
                        LookbackWindows.usual())
                .touches();
    }

    @Test
    void somebodys_word_decides_alone_and_a_code_is_one_more_touch() {
        assertThat(earned(Evidence.SET, CLICKED)).containsExactly(GIVEN);
        assertThat(earned(Evidence.CODE, CLICKED)).containsExactly(CLICKED, GIVEN);
        assertThat(earned(Evidence.PARTNER)).containsExactly(GIVEN);
    }

    @ParameterizedTest
    @EnumSource(
            value = Evidence.class,
            names = {"CONTACT", "ANSWER", "REFERRER"})
    void weaker_evidence_stands_in_where_no_source_is_known(Evidence evidence) {
        assertThat(earned(evidence, CLICKED)).containsExactly(CLICKED);
        assertThat(earned(evidence)).containsExactly(GIVEN);
        assertThat(earned(evidence, DIRECT)).containsExactly(DIRECT, GIVEN);
    }

    @Test
    void what_touches_prove_adds_none() {
        assertThat(earned(Evidence.VISITOR, CLICKED)).containsExactly(CLICKED);
        assertThat(earned(Evidence.CLICK)).isEmpty();
    }

    @Test
    void a_booking_continues_the_lead_of_its_reference_else_the_latest_within_180_days() {
        Continued old = new Continued(new UUID(1, 1), "E-1", AT.minus(Duration.ofDays(400)));
        Continued recent = new Continued(
                new UUID(1, 2), "E-2", AT.minus(Duration.ofDays(180)).plusMillis(1));
        Continued latest = new Continued(new UUID(1, 3), "E-3", AT.minus(Duration.ofDays(2)));
        Continued later = new Continued(new UUID(1, 4), "E-4", AT.plusMillis(1));
        List<Continued> all = List.of(latest, old, recent, later);
        assertThat(Continued.of("E-1", AT, all)).contains(old);
        assertThat(Continued.of("B-9", AT, all)).contains(latest);
        assertThat(Continued.of("B-9", AT, List.of(old, recent))).contains(recent);
        assertThat(Continued.of("B-9", AT.plusMillis(2), List.of(recent))).isEmpty();
        assertThat(Continued.of("B-9", AT, List.of(later))).isEmpty();
    }

    @Test
    void entries_take_back_at_the_time_it_happened() {
        Instant refunded = AT.plus(Duration.ofDays(3));
        Instant cancelled = AT.plus(Duration.ofDays(40));
        assertThat(Entry.of(
                        AT,
                        9_999,
                        List.of(
                                new Entry.Stood(cancelled, false, 0),
                                new Entry.Stood(refunded, true, 7_500),
                                new Entry.Stood(cancelled.plusSeconds(1), false, 0))))
                .containsExactly(
                        new Entry(AT, 1, 9_999), new Entry(refunded, 0, -2_499), new Entry(cancelled, -1, -7_500));
        assertThat(Entry.of(AT, 5, List.of(new Entry.Stood(AT.minusSeconds(9), false, 0))))
                .as("nothing is taken back before it was there")
                .containsExactly(new Entry(AT, 1, 5), new Entry(AT, -1, -5));
    }

    static IntStream seeds() {
        return IntStream.range(0, 100);
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void entries_add_up_to_what_is_left(int seed) {
        SplittableRandom random = new SplittableRandom(seed);
        long value = random.nextLong(100_000);
        List<Entry.Stood> changes = IntStream.range(0, random.nextInt(6))
                .mapToObj(i -> new Entry.Stood(AT.plusSeconds(i), random.nextBoolean(), random.nextLong(value + 1)))
                .toList();
        List<Entry> entries = Entry.of(AT, value, changes);
        boolean counts = changes.isEmpty() || changes.get(changes.size() - 1).counts();
        long kept = changes.isEmpty() ? value : changes.get(changes.size() - 1).keptMinor();
        assertThat(entries.stream().mapToLong(Entry::valueMinor).sum()).isEqualTo(kept);
        assertThat(entries.stream().mapToInt(Entry::count).sum()).isEqualTo(counts ? 1 : 0);
    }
}
