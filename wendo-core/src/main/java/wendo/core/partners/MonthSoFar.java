package wendo.core.partners;

/** How many outcomes of a calendar month have earned something, and what their bases add up to, in minor units. */
record MonthSoFar(long outcomes, long baseMinor) {
    static final MonthSoFar NOTHING = new MonthSoFar(0, 0);

    MonthSoFar plus(long base) {
        return new MonthSoFar(outcomes + 1, baseMinor + base);
    }
}
