package wendo.core.handover;

/** How long after a plan's start a step is due: calendar days, at the same time of day, then minutes as they pass. */
public record Delay(int days, int minutes) {
    public static final int MAX_DAYS = 365;
    public static final int MAX_MINUTES = 24 * 60;

    public Delay {
        if (days < 0 || days > MAX_DAYS || minutes < 0 || minutes > MAX_MINUTES) {
            throw new IllegalArgumentException("A delay must be 0 to %d days and 0 to %d minutes, but was %d and %d"
                    .formatted(MAX_DAYS, MAX_MINUTES, days, minutes));
        }
    }
}
