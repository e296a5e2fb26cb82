package wendo.core.partners;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import wendo.core.partners.PartnerBalance.Line;
import wendo.core.partners.PartnerBalance.State;

class PartnerBalanceTest {
    private static final LocalDate TODAY = LocalDate.of(2026, 6, 15);

    private static Line line(int number, int outcome, int heldUntilDay, long minor) {
        return new Line(
                new UUID(0, number),
                new UUID(1, outcome),
                LocalDate.of(2026, 6, 1),
                LocalDate.of(2026, 6, heldUntilDay),
                minor);
    }

    private static State state(PartnerBalance balance, int number) {
        return java.util.Objects.requireNonNull(balance.states().get(new UUID(0, number)));
    }

    @Test
    void what_is_held_may_be_paid_from_its_day_on() {
        List<Line> lines = List.of(line(1, 1, 15, 500), line(2, 2, 16, 300));
        PartnerBalance balance = PartnerBalance.of(lines, 0, TODAY);
        assertThat(balance.dueMinor()).isEqualTo(500);
        assertThat(balance.heldMinor()).isEqualTo(300);
        assertThat(state(balance, 1)).isEqualTo(State.DUE);
        assertThat(state(balance, 2)).isEqualTo(State.HELD);
    }

    @Test
    void payments_settle_the_oldest_lines_first_and_a_line_is_paid_when_all_of_it_is() {
        List<Line> lines = List.of(line(1, 1, 2, 500), line(2, 2, 3, 300), line(3, 3, 4, 200));
        PartnerBalance balance = PartnerBalance.of(lines, 799, TODAY);
        assertThat(balance.dueMinor()).isEqualTo(201);
        assertThat(List.of(state(balance, 1), state(balance, 2), state(balance, 3)))
                .containsExactly(State.PAID, State.DUE, State.DUE);
        assertThat(state(PartnerBalance.of(lines, 800, TODAY), 2)).isEqualTo(State.PAID);
    }

    @Test
    void what_was_taken_back_after_payment_is_owed_to_the_business_until_the_next_lines_make_up_for_it() {
        List<Line> lines = List.of(line(1, 1, 2, 500), line(2, 1, 3, -500));
        PartnerBalance balance = PartnerBalance.of(lines, 500, TODAY);
        assertThat(balance.dueMinor()).isEqualTo(-500);
        assertThat(state(balance, 1)).isEqualTo(State.TAKEN_BACK);
        assertThat(state(balance, 2)).isEqualTo(State.TAKEN_BACK);
    }

    /** Whatever the lines: held and due and paid add up to all lines. */
    @Test
    void held_due_and_paid_add_up_to_the_lines() {
        Random random = new Random(4);
        for (int run = 0; run < 500; run++) {
            List<Line> lines = new ArrayList<>();
            for (int i = 0; i < random.nextInt(12); i++) {
                lines.add(line(i, random.nextInt(6), 1 + random.nextInt(28), random.nextInt(2_000) - 500));
            }
            long paid = random.nextInt(3_000);
            PartnerBalance balance = PartnerBalance.of(lines, paid, TODAY);
            assertThat(balance.heldMinor() + balance.dueMinor() + balance.paidMinor())
                    .isEqualTo(lines.stream().mapToLong(Line::minor).sum());
            assertThat(balance.states()).hasSize(lines.size());
        }
    }
}
