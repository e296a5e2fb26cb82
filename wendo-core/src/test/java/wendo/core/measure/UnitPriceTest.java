package wendo.core.measure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.Random;
import org.junit.jupiter.api.Test;

class UnitPriceTest {

    /** Against the JDK's own decimal arithmetic. */
    @Test
    void many_copies_cost_their_whole_price_rounded_once() {
        Random random = new Random(3);
        for (int i = 0; i < 10_000; i++) {
            long millis = random.nextInt(1_000_000);
            long copies = 1 + random.nextInt(1_000_000);
            BigDecimal exact = BigDecimal.valueOf(millis)
                    .multiply(BigDecimal.valueOf(copies))
                    .movePointLeft(3);
            assertThat(new UnitPrice(millis).times(copies))
                    .isEqualTo(exact.setScale(0, RoundingMode.HALF_UP).longValueExact());
        }
        assertThat(new UnitPrice(8_500).times(1)).isEqualTo(9);
        assertThat(new UnitPrice(8_499).times(1)).isEqualTo(8);
        assertThat(new UnitPrice(0).times(5)).isZero();
    }

    @Test
    void a_price_that_cannot_be_is_refused() {
        assertThatThrownBy(() -> new UnitPrice(-1)).hasMessageContaining("but was -1");
        assertThatThrownBy(() -> new UnitPrice(100_000_000_001L)).hasMessageContaining("100000000001");
    }
}
