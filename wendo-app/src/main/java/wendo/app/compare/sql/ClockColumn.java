package wendo.app.compare.sql;

/** The column that tells the day of {@code credit c} joined to {@code outcome o}. */
public final class ClockColumn {
    private ClockColumn() {}

    public static String of(CreditClock clock) {
        return switch (clock) {
            case OUTCOME -> "o.occurred_at";
            case TOUCH -> "c.touched_at";
            case ENTRY -> "c.at";
        };
    }
}
