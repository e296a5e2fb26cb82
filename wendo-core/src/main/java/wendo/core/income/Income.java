package wendo.core.income;

import java.time.LocalDate;
import java.util.Optional;
import java.util.OptionalLong;

/**
 * What a network pays for one outcome.
 *
 * @param commissionMinor in minor units, 0 or more; apart from what the customer paid
 */
public record Income(IncomeState state, long commissionMinor) {
    public Income {
        if (commissionMinor < 0) {
            throw new IllegalArgumentException("A commission must be 0 or more, but was " + commissionMinor);
        }
    }

    /** News of it; what is absent stays as it was. */
    public record News(Optional<IncomeState> state, OptionalLong commissionMinor) {}

    /** What the first news makes; without a state it is pending, without an amount nothing yet. */
    public static Income of(News first) {
        return new Income(
                first.state().orElse(IncomeState.PENDING),
                first.commissionMinor().orElse(0));
    }

    /**
     * Networks send old reports again, so a state only goes on: pending, approved, paid. It can be declined at any time,
     * and approved or paid after all. Ours.
     */
    public Income with(News news) {
        IncomeState next = news.state()
                .filter(one -> one == IncomeState.DECLINED
                        || state == IncomeState.DECLINED && one.isEarned()
                        || state != IncomeState.DECLINED && rank(one) > rank(state))
                .orElse(state);
        return new Income(next, news.commissionMinor().orElse(commissionMinor));
    }

    private static int rank(IncomeState state) {
        return switch (state) {
            case PENDING -> 0;
            case APPROVED -> 1;
            case PAID -> 2;
            case DECLINED -> 3;
        };
    }

    /** In minor units; 0 while nobody has approved it. */
    public long earnedMinor() {
        return state.isEarned() ? commissionMinor : 0;
    }

    /** The day by which a network that pays so many days after an outcome should have paid. */
    public static LocalDate expectedOn(LocalDate day, int paysAfterDays) {
        return day.plusDays(paysAfterDays);
    }
}
