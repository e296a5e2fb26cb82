package wendo.core.income;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.LocalDate;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.OptionalLong;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import wendo.core.measure.Takings;

class IncomeTest {
    private static Income.News news(IncomeState state) {
        return new Income.News(Optional.of(state), OptionalLong.empty());
    }

    /** Ours: every state and every news of one. */
    @ParameterizedTest
    @CsvSource({
        "PENDING, PENDING, PENDING",
        "PENDING, APPROVED, APPROVED",
        "PENDING, PAID, PAID",
        "PENDING, DECLINED, DECLINED",
        "APPROVED, PENDING, APPROVED",
        "APPROVED, APPROVED, APPROVED",
        "APPROVED, PAID, PAID",
        "APPROVED, DECLINED, DECLINED",
        "PAID, PENDING, PAID",
        "PAID, APPROVED, PAID",
        "PAID, PAID, PAID",
        "PAID, DECLINED, DECLINED",
        "DECLINED, PENDING, DECLINED",
        "DECLINED, APPROVED, APPROVED",
        "DECLINED, PAID, PAID",
        "DECLINED, DECLINED, DECLINED"
    })
    void a_report_that_comes_again_turns_nothing_back(IncomeState before, IncomeState told, IncomeState after) {
        assertThat(new Income(before, 250).with(news(told))).isEqualTo(new Income(after, 250));
    }

    @Test
    void what_news_does_not_tell_stays_and_an_amount_can_change() {
        Income first = Income.of(new Income.News(Optional.empty(), OptionalLong.of(250)));
        assertThat(first).isEqualTo(new Income(IncomeState.PENDING, 250));
        assertThat(first.with(new Income.News(Optional.empty(), OptionalLong.of(199))))
                .isEqualTo(new Income(IncomeState.PENDING, 199));
        assertThat(first.with(new Income.News(Optional.empty(), OptionalLong.empty())))
                .isEqualTo(first);
        assertThat(Income.of(news(IncomeState.PAID))).isEqualTo(new Income(IncomeState.PAID, 0));
    }

    @Test
    void only_what_is_approved_or_paid_is_earned() {
        assertThat(new Income(IncomeState.PENDING, 250).earnedMinor()).isZero();
        assertThat(new Income(IncomeState.DECLINED, 250).earnedMinor()).isZero();
        assertThat(new Income(IncomeState.APPROVED, 250).earnedMinor()).isEqualTo(250);
        assertThat(new Income(IncomeState.PAID, 250).earnedMinor()).isEqualTo(250);
    }

    @ParameterizedTest
    @CsvSource({"' Approved ', APPROVED", "PAID OUT, PAID", "rejected, DECLINED", "open, PENDING", "locked, APPROVED"})
    void states_are_known_by_what_networks_call_them(String word, IncomeState state) {
        assertThat(IncomeState.spoken(word)).hasValue(state);
    }

    @Test
    void other_words_are_no_state() {
        assertThat(IncomeState.spoken("maybe")).isEmpty();
        assertThat(IncomeState.spoken("")).isEmpty();
        for (IncomeState state : IncomeState.values()) {
            assertThat(IncomeState.of(state.key())).isEqualTo(state);
        }
    }

    /** By the calendar: 2028 is a leap year. */
    @Test
    void payment_is_expected_so_many_days_after_the_outcome() {
        assertThat(Income.expectedOn(LocalDate.of(2027, 2, 1), 30)).isEqualTo(LocalDate.of(2027, 3, 3));
        assertThat(Income.expectedOn(LocalDate.of(2028, 2, 1), 30)).isEqualTo(LocalDate.of(2028, 3, 2));
    }

    @Test
    void a_commission_below_nothing_is_refused() {
        assertThatThrownBy(() -> new Income(IncomeState.PENDING, -1))
                .isInstanceOf(IllegalArgumentException.class)
                .hasMessage("A commission must be 0 or more, but was -1");
    }

    @Test
    void earnings_per_visit_are_approved_income_over_visits_sent_out() {
        Earnings earnings = new Earnings(400, List.of(200L, 300L, 100L), 5_000);
        assertThat(earnings.perVisitMinor()).hasValue(1.5);
        assertThat(earnings.interval()).as("under 5 that earned").isEmpty();
        assertThat(new Earnings(0, List.of(), 0).perVisitMinor()).isEmpty();
        assertThat(new Earnings(3, Collections.nCopies(6, 100L), 0).interval())
                .as("more earned than were sent")
                .isEmpty();
    }

    /** The interval is that of the sum, which is tested against a reference, divided by the visits. */
    @Test
    void their_interval_is_that_of_the_sum() {
        List<Long> earned = List.of(120L, 80L, 240L, 310L, 95L, 180L, 60L);
        var sum = new Takings(1_000, earned).interval().orElseThrow();
        var each = new Earnings(1_000, earned, 0).interval().orElseThrow();
        assertThat(each.low()).isEqualTo(sum.low() / 1_000);
        assertThat(each.high()).isEqualTo(sum.high() / 1_000);
        assertThat(each.low()).isLessThan(1.085);
        assertThat(each.high()).isGreaterThan(1.085);
    }
}
