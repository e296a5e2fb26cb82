package wendo.core.credit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.math.BigInteger;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;
import java.util.UUID;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.MethodSource;
import wendo.core.links.Channel;
import wendo.core.visits.ClickId;
import wendo.core.visits.Touch;

class CreditTest {
    private static final LookbackWindows USUAL = LookbackWindows.usual();
    private static final Instant OUTCOME = Instant.parse("2026-07-01T10:00:00Z");

    private static Touch touch(Channel channel, Duration before) {
        Instant at = OUTCOME.minus(before);
        return new Touch(
                new UUID(channel.ordinal(), 1),
                channel,
                ClickId.of(at, new SplittableRandom(1)).uuid(),
                at);
    }

    @Test
    void the_latest_touch_before_the_outcome_takes_all() {
        Touch early = touch(Channel.PRINT, Duration.ofDays(20));
        Touch late = touch(Channel.AD, Duration.ofHours(1));
        Touch after = touch(Channel.TEXT, Duration.ofMillis(-1));
        Trail trail = Trail.before(OUTCOME, List.of(late, after, early), USUAL);
        assertThat(trail.touches()).containsExactly(early, late);
        assertThat(Credit.divide(trail, new LastTouch(), 9_999)).containsExactly(new Credit(late, 1_000_000, 9_999));
    }

    @Test
    void without_a_touch_nothing_is_credited() {
        assertThat(Credit.divide(Trail.before(OUTCOME, List.of(), USUAL), new LastTouch(), 9_999))
                .isEmpty();
    }

    @ParameterizedTest
    @EnumSource(Channel.class)
    void a_touch_earns_until_the_end_of_its_window(Channel channel) {
        Duration window = Duration.ofDays(channel.lookbackDays());
        assertThat(Trail.before(OUTCOME, List.of(touch(channel, window)), USUAL).touches())
                .hasSize(1);
        assertThat(Trail.before(OUTCOME, List.of(touch(channel, window.plusMillis(1))), USUAL)
                        .touches())
                .isEmpty();
        assertThat(Trail.before(OUTCOME, List.of(touch(channel, Duration.ZERO)), USUAL)
                        .touches())
                .hasSize(1);
    }

    @Test
    void a_business_may_set_the_window_of_a_channel() {
        LookbackWindows windows = new LookbackWindows(java.util.Map.of(Channel.TEXT, 2, Channel.PRINT, 200));
        assertThat(windows.longest()).isEqualTo(Duration.ofDays(200));
        assertThat(windows.of(Channel.AD)).isEqualTo(Duration.ofDays(30));
        Touch text = touch(Channel.TEXT, Duration.ofDays(3));
        Touch print = touch(Channel.PRINT, Duration.ofDays(199));
        assertThat(Trail.before(OUTCOME, List.of(text, print), windows).touches())
                .containsExactly(print);
        assertThatThrownBy(() -> new LookbackWindows(java.util.Map.of(Channel.AD, 731)))
                .hasMessage("The window of Paid ad must be 1 to 730 days, but was 731");
        assertThatThrownBy(() -> new LookbackWindows(java.util.Map.of(Channel.AD, 0)))
                .hasMessageContaining("but was 0");
    }

    /** Hamilton's method as in Balinski and Young, "Fair Representation", 1982: quotas rounded by largest remainders. */
    @Test
    void largest_remainders_are_served_first_and_ties_go_to_the_earlier() {
        assertThat(Allocation.split(100, List.of(1L, 1L, 1L))).containsExactly(34L, 33L, 33L);
        assertThat(Allocation.split(10, List.of(40L, 20L, 40L))).containsExactly(4L, 2L, 4L);
        assertThat(Allocation.split(7, List.of(3L, 2L, 2L, 0L))).containsExactly(3L, 2L, 2L, 0L);
        assertThat(Allocation.split(1, List.of(1L, 3L))).containsExactly(0L, 1L);
        assertThat(Allocation.split(0, List.of(5L))).containsExactly(0L);
        assertThat(Allocation.split(5, List.of())).isEmpty();
    }

    static IntStream seeds() {
        return IntStream.range(0, 400);
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void parts_add_up_and_lie_within_one_unit_of_their_quota(int seed) {
        SplittableRandom random = new SplittableRandom(seed);
        long total = random.nextLong(seed % 2 == 0 ? 1_000 : Long.MAX_VALUE / 2);
        List<Long> weights = new ArrayList<>();
        int parts = 1 + random.nextInt(40);
        for (int i = 0; i < parts; i++) {
            weights.add(random.nextInt(4) == 0 ? 0L : random.nextLong(1_000_000_007));
        }
        weights.set(0, weights.get(0) + 1);
        BigInteger sum = weights.stream().map(BigInteger::valueOf).reduce(BigInteger.ZERO, BigInteger::add);

        List<Long> split = Allocation.split(total, weights);

        assertThat(split.stream().mapToLong(Long::longValue).sum()).isEqualTo(total);
        for (int i = 0; i < parts; i++) {
            BigInteger exact = BigInteger.valueOf(total).multiply(BigInteger.valueOf(weights.get(i)));
            BigInteger given = BigInteger.valueOf(split.get(i)).multiply(sum);
            assertThat(given.subtract(exact).abs()).isLessThan(sum);
            if (weights.get(i) == 0) {
                assertThat(split.get(i)).isZero();
            }
        }
    }

    @Test
    void impossible_splits_are_the_callers_fault() {
        assertThatThrownBy(() -> Allocation.split(-1, List.of(1L))).hasMessageContaining("-1");
        assertThatThrownBy(() -> Allocation.split(1, List.of(0L, 0L))).isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> Allocation.split(1, List.of(2L, -1L))).isInstanceOf(IllegalArgumentException.class);
    }
}
