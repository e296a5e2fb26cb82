package wendo.simulation;

import java.time.LocalDate;

/** How many people are expected to come by a source for the first time, day by day. */
record Arriving(LocalDate firstDay) {
    private static final int DAYS = SeasonSimulation.WEEKS * 7;
    private static final int TAIL_DAYS = 28;

    /** Its pattern, times the time of year for steady ones. */
    double expected(TrueSource source, LocalDate day) {
        long number = day.toEpochDay() - firstDay.toEpochDay();
        double perDay = source.peoplePerSeason() / DAYS;
        return switch (source.pattern()) {
            case STEADY -> perDay * (0.75 + 0.5 * Math.sin(Math.PI * Math.min(number, DAYS) / DAYS)) * weekend(day);
            case FORTNIGHTLY -> perDay * 14 * (number % 14 == 4 ? 0.55 : number % 14 == 5 ? 0.25 : 0.2 / 12);
            case MAILED ->
                source.costs().stream()
                                .mapToDouble(cost -> mailed(number - 7L * cost.firstWeek()))
                                .sum()
                        * source.peoplePerSeason()
                        / source.costs().size();
        };
    }

    /** Of a whole season. */
    double expected(TrueSource source) {
        return firstDay.datesUntil(firstDay.plusDays(DAYS))
                .mapToDouble(day -> expected(source, day))
                .sum();
    }

    private static double weekend(LocalDate day) {
        return day.getDayOfWeek().getValue() >= 6 ? 1.35 : 0.86;
    }

    /** The share of a mailing's people who come on a day after it went out: a rush, then an ever slower trickle. */
    private static double mailed(long daysAfter) {
        return daysAfter < 0 || daysAfter > TAIL_DAYS ? 0 : Math.exp(-daysAfter / 5.0) / 5.35;
    }
}
