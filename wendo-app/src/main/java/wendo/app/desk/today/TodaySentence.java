package wendo.app.desk.today;

import wendo.app.platform.site.Figures;
import wendo.app.platform.site.Texts;

/** The state of things in two sentences. */
record TodaySentence(String headline, String week) {

    static TodaySentence of(
            TodayQueries.Brought today, TodayQueries.Brought lastWeek, TodayQueries.Brought before, Figures figures) {
        String headline = today.isEmpty()
                ? Texts.of("desk.today.nobody-has-come-by-a")
                : Texts.of("desk.today.today-so-far", list(today, figures));
        String week = lastWeek.isEmpty()
                ? Texts.of("desk.today.nothing-came-in-the-seven")
                : Texts.of(
                        "desk.today.the-seven-days-before-brought",
                        list(lastWeek, figures),
                        figures.money(lastWeek.revenueMinor()),
                        figures.money(before.revenueMinor()));
        return new TodaySentence(headline, week);
    }

    private static String list(TodayQueries.Brought brought, Figures figures) {
        return Texts.of(
                "desk.today.people-leads-bookings-purchases",
                figures.counted(brought.people(), "count.people"),
                figures.counted(brought.leads(), "count.leads"),
                figures.counted(brought.bookings(), "count.bookings"),
                figures.counted(brought.purchases(), "count.purchases"));
    }
}
