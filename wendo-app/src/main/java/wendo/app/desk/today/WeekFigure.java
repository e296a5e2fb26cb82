package wendo.app.desk.today;

import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.function.ToLongFunction;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import wendo.app.platform.site.Figures;
import wendo.app.platform.site.Texts;
import wendo.core.measure.Count;
import wendo.core.measure.CountRatio;

/**
 * One figure of the last seven days against the seven before, with the weeks behind it.
 *
 * @param change more, fewer or same: by the exact 95 % interval of the ratio of both weeks
 * @param line the weeks as points of a line, oldest first, 100 wide and 30 high
 */
record WeekFigure(String name, String number, String change, String against, String line) {
    private static final int WIDTH = 100;
    private static final int HEIGHT = 30;
    private static final int DAYS = 7;
    private static final Map<String, String> AGAINST =
            Map.of("more", "desk.today.week-more", "fewer", "desk.today.week-fewer", "same", "desk.today.week-same");

    /** @param weeks the newest first */
    static List<WeekFigure> of(List<TodayQueries.Brought> weeks, Figures figures) {
        return List.of(
                figure("noun.people", weeks, TodayQueries.Brought::people, figures),
                figure("noun.leads", weeks, TodayQueries.Brought::leads, figures),
                figure("noun.bookings", weeks, TodayQueries.Brought::bookings, figures),
                figure("noun.purchases", weeks, TodayQueries.Brought::purchases, figures));
    }

    private static WeekFigure figure(
            String noun,
            List<TodayQueries.Brought> weeks,
            ToLongFunction<TodayQueries.Brought> number,
            Figures figures) {
        long now = number.applyAsLong(weeks.get(0));
        long before = number.applyAsLong(weeks.get(1));
        String change = change(now, before);
        return new WeekFigure(
                Texts.of(noun, 2),
                figures.count(now),
                change,
                Texts.of(AGAINST.getOrDefault(change, ""), figures.count(before)),
                line(weeks.stream().mapToLong(number).toArray()));
    }

    static String change(long now, long before) {
        Optional<CountRatio> ratio = CountRatio.of(Count.of(now), DAYS, Count.of(before), DAYS);
        return ratio.filter(CountRatio::isClear)
                .map(clear -> clear.value() > 1 ? "more" : "fewer")
                .orElse("same");
    }

    private static String line(long... newestFirst) {
        long most = Math.max(
                1,
                IntStream.range(0, newestFirst.length)
                        .mapToLong(i -> newestFirst[i])
                        .max()
                        .orElse(1));
        int last = newestFirst.length - 1;
        return IntStream.rangeClosed(0, last)
                .mapToObj(i -> String.format(
                        Locale.ROOT,
                        "%.1f,%.1f",
                        (double) WIDTH * i / last,
                        HEIGHT - (double) HEIGHT * newestFirst[last - i] / most))
                .collect(Collectors.joining(" "));
    }
}
