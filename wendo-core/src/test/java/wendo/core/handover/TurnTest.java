package wendo.core.handover;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.DayOfWeek;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.junit.jupiter.api.Test;

class TurnTest {
    private static final LocalDate MONDAY = LocalDate.of(2026, 5, 4);

    private static Turn turn(int person, int weight, long given, DayOfWeek... off) {
        return new Turn(new UUID(0, person), weight, given, Set.of(off), Optional.empty(), Optional.empty());
    }

    /** Every pair and triple of weights up to 5: after any number of leads nobody is a whole lead or more off their share. */
    @Test
    void leads_are_shared_by_weight_at_every_moment() {
        for (int a = 1; a <= 5; a++) {
            for (int b = 1; b <= 5; b++) {
                for (int c = 0; c <= 5; c++) {
                    List<Turn> round = new ArrayList<>(List.of(turn(1, a, 0), turn(2, b, 0)));
                    if (c > 0) {
                        round.add(turn(3, c, 0));
                    }
                    for (int lead = 1; lead <= 60; lead++) {
                        int at = round.indexOf(Turn.next(round, MONDAY).orElseThrow());
                        Turn got = round.get(at);
                        round.set(
                                at, turn((int) got.person().getLeastSignificantBits(), got.weight(), got.given() + 1));
                        for (Turn one : round) {
                            assertThat(one.given())
                                    .isBetween(
                                            (long) Math.floor((double) lead * one.weight() / (a + b + c) - 0.999),
                                            (long) Math.ceil((double) lead * one.weight() / (a + b + c) + 0.999));
                        }
                    }
                }
            }
        }
    }

    @Test
    void who_is_off_or_away_gets_none_unless_nobody_is_there() {
        Turn off = turn(1, 1, 0, DayOfWeek.MONDAY);
        Turn away = new Turn(new UUID(0, 2), 1, 0, Set.of(), Optional.of(MONDAY), Optional.of(MONDAY.plusDays(1)));
        Turn there = turn(3, 1, 99);
        assertThat(Turn.next(List.of(off, away, there), MONDAY)).hasValue(there);
        assertThat(Turn.next(List.of(off, away, there), MONDAY.plusDays(1))).hasValue(off);
        assertThat(Turn.next(List.of(away, there), MONDAY.plusDays(2))).hasValue(away);
        assertThat(Turn.next(List.of(off, away), MONDAY))
                .as("a lead is not left lying")
                .hasValue(off);
        assertThat(Turn.next(List.of(), MONDAY)).isEmpty();
        assertThat(away.isThere(MONDAY.minusDays(1))).isTrue();
        assertThatThrownBy(() -> turn(1, 11, 0)).hasMessageContaining("1 to 10");
    }
}
