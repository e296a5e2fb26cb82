package wendo.app.compare.crosscheck;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.function.Predicate;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import wendo.app.platform.site.Texts;
import wendo.app.platform.tables.Table;
import wendo.app.platform.tables.TableReader;
import wendo.app.platform.tables.TableRefused;
import wendo.core.outcomes.AmountStyle;
import wendo.core.outcomes.DayOrder;
import wendo.core.outcomes.WrittenTime;

/**
 * Counts by day as they were pasted: one day and one number to a line, with or without a heading and other columns.
 * Several lines of a day are added up.
 *
 * @param faults one for each line that cannot be read; then nothing is to be kept
 */
record TheirCounts(SortedMap<LocalDate, Long> byDay, List<String> faults) {
    private static final int MOST_FAULTS = 10;
    private static final int MOST_DAYS = 800;

    /** @param order as somebody chose it; empty if the days are to tell */
    static TheirCounts read(String pasted, Optional<DayOrder> order, Locale locale) {
        try {
            List<Table.Row> rows = TableReader.readRows(pasted);
            int day = column(
                    rows,
                    cell -> DayOrder.DAY_FIRST.find(cell).isPresent()
                            || DayOrder.MONTH_FIRST.find(cell).isPresent());
            int number = column(rows, cell -> number(cell).isPresent());
            return day < 0 || number < 0
                    ? fault(Texts.of("compare.crosscheck.a-column-of-days-and"))
                    : read(
                            rows,
                            day,
                            number,
                            order.orElseGet(() -> DayOrder.of(
                                    rows.stream().map(row -> row.cell(day)).toList(), locale)));
        } catch (TableRefused e) {
            return fault(String.valueOf(e.getMessage()));
        }
    }

    private static TheirCounts fault(String text) {
        return new TheirCounts(new TreeMap<>(), List.of(text));
    }

    /** The first column that half of the rows at least hold such a cell in; −1 if none does. */
    private static int column(List<Table.Row> rows, Predicate<String> isOne) {
        int columns = rows.isEmpty() ? 0 : rows.get(0).cells().size();
        return IntStream.range(0, columns)
                .filter(column -> rows.stream()
                                        .filter(row -> isOne.test(row.cell(column)))
                                        .count()
                                * 2
                        >= rows.size())
                .findFirst()
                .orElse(-1);
    }

    private static TheirCounts read(List<Table.Row> rows, int day, int number, DayOrder order) {
        boolean hasHeading = order.find(rows.get(0).cell(day)).isEmpty();
        SortedMap<LocalDate, Long> byDay = new TreeMap<>();
        List<String> faults = new ArrayList<>();
        for (Table.Row row : rows.subList(hasHeading ? 1 : 0, rows.size())) {
            Optional<LocalDate> found = order.find(row.cell(day)).map(WrittenTime::day);
            Optional<Long> count = number(row.cell(number));
            if (found.isPresent() && count.isPresent()) {
                byDay.merge(found.get(), count.get(), Long::sum);
            } else {
                faults.add(fault(row, found.isEmpty() ? row.cell(day) : row.cell(number), found.isEmpty()));
            }
        }
        if (byDay.size() > MOST_DAYS) {
            faults.add(Texts.of("compare.crosscheck.at-most-days-can-be", MOST_DAYS, byDay.size()));
        }
        return new TheirCounts(byDay, faults.stream().limit(MOST_FAULTS).toList());
    }

    private static String fault(Table.Row row, String cell, boolean isDay) {
        return Texts.of(
                "compare.crosscheck.line-is-no",
                row.line(),
                cell,
                isDay ? "day" : Texts.of("compare.crosscheck.whole-number"));
    }

    /** Counts are whole, so a sign with three digits behind it groups them, whichever it is. */
    private static Optional<Long> number(String cell) {
        return Stream.of(AmountStyle.values())
                .map(style -> style.plain(cell))
                .filter(plain -> plain.matches("\\d{1,9}(\\.0+)?"))
                .map(plain -> Long.parseLong(plain.replaceFirst("\\..*", "")))
                .findFirst();
    }
}
