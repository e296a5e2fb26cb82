package wendo.core.outcomes;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

class StandingTest {
    @Test
    void a_refund_without_an_amount_is_one_of_all() {
        Standing refunded = Standing.open(9500).withStatus(OutcomeStatus.REFUNDED);
        assertThat(refunded).isEqualTo(new Standing(OutcomeStatus.REFUNDED, 9500, 9500));
        assertThat(refunded.counts()).isFalse();
        assertThat(refunded.withValue(8000))
                .as("and stays one of all that it is worth")
                .isEqualTo(new Standing(OutcomeStatus.REFUNDED, 8000, 8000));
        assertThat(refunded.withStatus(OutcomeStatus.CONFIRMED).keptMinor()).isEqualTo(9500);
    }

    /** Every refund, every correction, and the correction taken back. */
    @Test
    void a_value_corrected_down_and_up_again_never_enlarges_a_refund() {
        for (long value = 0; value <= 20; value++) {
            for (long refund = 0; refund <= value; refund++) {
                for (long corrected = 0; corrected <= 25; corrected++) {
                    Standing back = Standing.open(value)
                            .withRefund(refund)
                            .withValue(corrected)
                            .withValue(value);
                    assertThat(back)
                            .isEqualTo(new Standing(OutcomeStatus.REFUNDED, value, Math.min(refund, corrected)));
                }
            }
        }
    }

    /** Every refund of every value to 40: what is left and what went back add up. */
    @Test
    void what_is_left_and_what_went_back_add_up() {
        for (long value = 0; value <= 40; value++) {
            for (long refund = 0; refund <= value; refund++) {
                Standing standing = Standing.open(value).withRefund(refund);
                assertThat(standing.keptMinor() + standing.refundedMinor()).isEqualTo(value);
                assertThat(standing.counts()).isEqualTo(refund < value);
                assertThat(standing.withStatus(OutcomeStatus.REFUNDED)).isEqualTo(standing);
                assertThat(standing.withStatus(OutcomeStatus.CANCELLED).keptMinor())
                        .isZero();
            }
            long tooMuch = value + 1;
            Standing open = Standing.open(value);
            assertThatThrownBy(() -> open.withRefund(tooMuch))
                    .hasMessage("A refund must be 0 to the value of %d, but was %d".formatted(value, tooMuch));
        }
    }

    @ParameterizedTest
    @EnumSource(
            value = OutcomeStatus.class,
            names = {"OPEN", "CONFIRMED", "CANCELLED"})
    void only_what_is_refunded_has_a_refund(OutcomeStatus status) {
        assertThatThrownBy(() -> new Standing(status, 100, 1)).hasMessageContaining("Only a refunded outcome");
        assertThat(OutcomeStatus.find(" " + status.name() + " ")).hasValue(status);
    }
}
