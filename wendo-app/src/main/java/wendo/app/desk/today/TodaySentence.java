package wendo.app.desk.today;

import java.util.ArrayList;
import java.util.List;
import wendo.app.platform.site.Figures;

/** The state of things in two sentences. */
record TodaySentence(String headline, String week) {

    static TodaySentence of(
            TodayQueries.Brought today, TodayQueries.Brought lastWeek, TodayQueries.Brought before, Figures figures) {
        String headline = today.isEmpty()
                ? "Nobody has come by a link yet today."
                : "Today so far: %s.".formatted(list(today, figures));
        String week = lastWeek.isEmpty()
                ? "Nothing came in the seven days before."
                : "The seven days before brought %s, worth %s (%s in the week before that)."
                        .formatted(
                                list(lastWeek, figures),
                                figures.money(lastWeek.revenueMinor()),
                                figures.money(before.revenueMinor()));
        return new TodaySentence(headline, week);
    }

    private static String list(TodayQueries.Brought brought, Figures figures) {
        List<String> parts = new ArrayList<>();
        parts.add(counted(brought.people(), "person", "people", figures));
        parts.add(counted(brought.leads(), "lead", "leads", figures));
        parts.add(counted(brought.bookings(), "booking", "bookings", figures));
        String last = counted(brought.purchases(), "purchase", "purchases", figures);
        return String.join(", ", parts) + " and " + last;
    }

    private static String counted(long number, String one, String many, Figures figures) {
        return figures.count(number) + " " + (number == 1 ? one : many);
    }
}
