package wendo.core.partners;

import java.math.BigDecimal;

/** What one outcome earns: a share of its base, or an amount. */
public sealed interface CommissionRate {
    /** Of a base in minor units, exactly; rounded only in the line that it becomes. */
    BigDecimal of(long baseMinor);

    /**
     * A share.
     *
     * @param percent 0 to 100, with three decimals at most
     */
    record Percent(BigDecimal percent) implements CommissionRate {
        private static final BigDecimal MOST = BigDecimal.valueOf(100);
        private static final int DECIMALS = 3;

        public Percent {
            if (percent.signum() < 0
                    || percent.compareTo(MOST) > 0
                    || percent.stripTrailingZeros().scale() > DECIMALS) {
                throw new IllegalArgumentException(
                        "A share must be 0 to 100 per cent with %d decimals at most, but was %s"
                                .formatted(DECIMALS, percent.toPlainString()));
            }
        }

        public static Percent of(String percent) {
            return new Percent(new BigDecimal(percent));
        }

        @Override
        public BigDecimal of(long baseMinor) {
            return BigDecimal.valueOf(baseMinor).multiply(percent).movePointLeft(2);
        }
    }

    /**
     * The same for each outcome, whatever it was worth.
     *
     * @param minor 0 or more, in minor units
     */
    record Amount(long minor) implements CommissionRate {
        public Amount {
            if (minor < 0) {
                throw new IllegalArgumentException("An amount must be 0 or more, but was %d".formatted(minor));
            }
        }

        @Override
        public BigDecimal of(long baseMinor) {
            return BigDecimal.valueOf(minor);
        }
    }
}
