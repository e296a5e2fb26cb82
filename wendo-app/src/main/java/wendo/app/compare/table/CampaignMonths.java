package wendo.app.compare.table;

import java.time.YearMonth;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import wendo.app.compare.sql.Credited;
import wendo.app.compare.sql.GroupSpend;
import wendo.app.platform.site.Texts;
import wendo.core.measure.Period;

/**
 * Campaigns by month: what each brought in which month. The last row and the last column are sums.
 *
 * @param months in their order
 */
public record CampaignMonths(Period period, List<YearMonth> months, List<Row> rows, Row total) {

    /** One campaign, or what belongs to none; a cell for each month. */
    record Row(String key, String name, List<Credited> cells, Credited sum) {}

    /** What one campaign was credited with in one month. */
    record Cell(String key, String name, YearMonth month, Credited credited) {}

    public static CampaignMonths of(List<Cell> cells, Period period) {
        List<YearMonth> months = GroupSpend.months(period).keySet().stream()
                .map(YearMonth::parse)
                .toList();
        Map<String, Map<YearMonth, Credited>> byKey = new LinkedHashMap<>();
        Map<String, String> names = new LinkedHashMap<>();
        for (Cell cell : cells) {
            names.put(cell.key(), cell.name());
            byKey.computeIfAbsent(cell.key(), key -> new LinkedHashMap<>())
                    .merge(cell.month(), cell.credited(), Credited::plus);
        }
        List<Row> rows = new ArrayList<>();
        byKey.forEach((key, own) -> rows.add(row(key, String.valueOf(names.get(key)), months, own)));
        Map<YearMonth, Credited> all = new LinkedHashMap<>();
        cells.forEach(cell -> all.merge(cell.month(), cell.credited(), Credited::plus));
        return new CampaignMonths(
                period, months, List.copyOf(rows), row(ComparedRow.TOTAL, Texts.of("common.total"), months, all));
    }

    private static Row row(String key, String name, List<YearMonth> months, Map<YearMonth, Credited> own) {
        List<Credited> cells = months.stream()
                .map(month -> own.getOrDefault(month, Credited.none()))
                .toList();
        return new Row(key, name, cells, cells.stream().reduce(Credited.none(), Credited::plus));
    }

    /** The first and last day of a month that lie in the period, as an address names them. */
    public String days(YearMonth month) {
        Period days = GroupSpend.months(period).getOrDefault(month.toString(), period);
        return "from=%s&to=%s".formatted(days.startInclusive(), days.lastDay());
    }
}
