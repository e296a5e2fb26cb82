package wendo.app.platform.business;

/**
 * How a business has its visitors told apart and its visits kept.
 *
 * @param keepsCookie whether visitors may be told apart by a cookie on the link host
 * @param months how long visits are kept one by one, 1 to 60
 */
public record VisitKeeping(boolean keepsCookie, int months) {
    public static final int MIN_MONTHS = 1;
    public static final int MAX_MONTHS = 60;
    static final VisitKeeping USUAL = new VisitKeeping(true, 25);

    public VisitKeeping {
        if (months < MIN_MONTHS || months > MAX_MONTHS) {
            throw new IllegalArgumentException("Visits are kept %d to %d months, but were to be kept %d"
                    .formatted(MIN_MONTHS, MAX_MONTHS, months));
        }
    }
}
