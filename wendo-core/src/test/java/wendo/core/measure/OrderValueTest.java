package wendo.core.measure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import org.assertj.core.data.Percentage;
import org.junit.jupiter.api.Test;

/**
 * Against the package boot of R 4.2.2 and its dataset bigcity (W. G. Cochran, "Sampling Techniques", 1977: inhabitants of 49
 * cities in 1920 and 1930): {@code boot.ci(boot(bigcity, function(d, i) sum(d$x[i]) / sum(d$u[i]), R = 50000), type =
 * "bca")} gives 1.182 to 1.325 about 1.239018599. 2,000 resamples may differ by some thousandths.
 */
class OrderValueTest {
    private static final int[] IN_1920 = {
        138, 93, 61, 179, 48, 37, 29, 23, 30, 2, 38, 46, 71, 25, 298, 74, 50, 76, 381, 387, 78, 60, 507, 50, 77, 64, 40,
        136, 243, 256, 94, 36, 45, 67, 120, 172, 66, 46, 121, 44, 64, 56, 40, 116, 87, 43, 43, 161, 36
    };
    private static final int[] IN_1930 = {
        143, 104, 69, 260, 75, 63, 50, 48, 111, 50, 52, 53, 79, 57, 317, 93, 58, 80, 464, 459, 106, 57, 634, 64, 89, 77,
        60, 139, 291, 288, 85, 46, 53, 67, 115, 183, 86, 65, 113, 58, 63, 142, 64, 130, 105, 61, 50, 232, 54
    };

    private static OrderValue cities() {
        List<OrderValue.Payer> payers = new ArrayList<>();
        for (int i = 0; i < IN_1920.length; i++) {
            payers.add(new OrderValue.Payer(IN_1930[i], IN_1920[i]));
        }
        return new OrderValue(payers);
    }

    @Test
    void average_and_interval_are_those_of_the_reference() {
        assertThat(cities().averageMinor().orElseThrow()).isCloseTo(1.239018599, within(5e-10));
        Interval interval = cities().interval().orElseThrow();
        assertThat(interval.low()).isCloseTo(1.182, Percentage.withPercentage(0.6));
        assertThat(interval.high()).isCloseTo(1.325, Percentage.withPercentage(1.2));
        assertThat(interval).isEqualTo(cities().interval().orElseThrow());
    }

    @Test
    void of_fewer_than_five_or_of_equals_there_is_no_interval_and_of_nobody_no_average() {
        List<OrderValue.Payer> payers = cities().payers();
        assertThat(new OrderValue(payers.subList(0, 4)).interval()).isEmpty();
        assertThat(new OrderValue(payers.subList(0, 5)).interval()).isPresent();
        OrderValue equal = new OrderValue(Collections.nCopies(9, new OrderValue.Payer(2_000, 1)));
        assertThat(equal.interval()).isEmpty();
        assertThat(equal.averageMinor()).hasValue(2_000);
        assertThat(new OrderValue(List.of()).averageMinor()).isEmpty();
        assertThatThrownBy(() -> new OrderValue.Payer(10, 0))
                .hasMessage("A payer has orders, more than 0, but had 0.0 worth 10.0");
    }
}
