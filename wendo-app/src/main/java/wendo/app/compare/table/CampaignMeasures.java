package wendo.app.compare.table;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import wendo.app.compare.sql.Credited;
import wendo.app.platform.site.Texts;
import wendo.core.outcomes.OutcomeKind;

/**
 * Campaigns by month with every kind of outcome and the revenue together.
 *
 * @param total of all campaigns
 */
record CampaignMeasures(List<Row> rows, Row total) {

    /** One campaign, with a line for each measure. */
    record Row(String key, String name, List<Line> lines) {}

    /**
     * One measure by month.
     *
     * @param values exact numbers of outcomes, or minor units of money
     */
    record Line(String measure, boolean isMoney, List<BigDecimal> values, BigDecimal sum) {}

    /** @param byKind of the same period and months, each kind's own campaigns */
    static CampaignMeasures of(Map<OutcomeKind, CampaignMonths> byKind) {
        Map<String, String> names = new LinkedHashMap<>();
        byKind.values().forEach(months -> months.rows().forEach(row -> names.putIfAbsent(row.key(), row.name())));
        List<Row> rows = names.entrySet().stream()
                .map(one -> row(one.getKey(), one.getValue(), byKind))
                .toList();
        return new CampaignMeasures(rows, row(ComparedRow.TOTAL, Texts.of("common.total"), byKind));
    }

    private static Row row(String key, String name, Map<OutcomeKind, CampaignMonths> byKind) {
        List<Line> lines = new ArrayList<>();
        byKind.forEach((kind, months) -> {
            String noun = kind.key().substring(0, 1).toUpperCase(Locale.ROOT)
                    + kind.key().substring(1) + "s";
            List<Credited> cells = cells(key, months);
            lines.add(line(noun, false, cells.stream().map(Credited::number).toList()));
        });
        lines.add(line(Texts.of("common.revenue"), true, revenue(key, byKind)));
        return new Row(key, name, List.copyOf(lines));
    }

    private static Line line(String measure, boolean isMoney, List<BigDecimal> values) {
        return new Line(measure, isMoney, values, values.stream().reduce(BigDecimal.ZERO, BigDecimal::add));
    }

    private static List<Credited> cells(String key, CampaignMonths months) {
        return (key.equals(ComparedRow.TOTAL) ? Stream.of(months.total()) : months.rows().stream())
                .filter(row -> row.key().equals(key))
                .findFirst()
                .map(CampaignMonths.Row::cells)
                .orElseGet(() ->
                        months.months().stream().map(month -> Credited.none()).toList());
    }

    private static List<BigDecimal> revenue(String key, Map<OutcomeKind, CampaignMonths> byKind) {
        List<List<Credited>> earning = byKind.entrySet().stream()
                .filter(one -> one.getKey().isRevenue())
                .map(one -> cells(key, one.getValue()))
                .toList();
        return IntStream.range(0, earning.get(0).size())
                .mapToObj(month -> BigDecimal.valueOf(earning.stream()
                        .mapToLong(cells -> cells.get(month).minor())
                        .sum()))
                .toList();
    }
}
