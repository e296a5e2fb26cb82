package wendo.app.compare.source;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.function.DoubleFunction;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;
import wendo.app.compare.sql.Credited;
import wendo.app.compare.table.CompareContext;
import wendo.app.compare.table.ComparedRow;
import wendo.app.compare.table.Comparison;
import wendo.app.compare.table.Plot;
import wendo.app.money.spend.Spends;
import wendo.app.platform.site.Figures;
import wendo.app.platform.site.Texts;
import wendo.core.measure.CostPer;
import wendo.core.measure.Interval;
import wendo.core.measure.OrderValue;
import wendo.core.measure.Payback;
import wendo.core.measure.Takings;
import wendo.core.outcomes.OutcomeKind;

/** What came back to a group for what it cost: its revenue, orders, new customers, and whether it has paid for itself. */
@Component
class Returns {
    private final TakingsQueries takings;
    private final Spends spends;

    Returns(TakingsQueries takings, Spends spends) {
        this.takings = takings;
        this.spends = spends;
    }

    /**
     * A measure, and where it lies with 95 % confidence.
     *
     * @param rule numerator and denominator
     */
    record Measure(String name, String rule, String value, String interval) {}

    /** @param payback when the margin had covered the spend, as a sentence; empty text where that cannot be asked */
    record Sheet(List<Measure> measures, String payback) {}

    Sheet of(ComparedRow row, Comparison comparison, CompareContext context) {
        Figures figures = context.figures();
        List<TakingsQueries.Payer> payers = takings.payers(row, context.period(), context.zone(), context.look());
        List<Measure> measures = new ArrayList<>(revenue(row, payers, comparison.margin(row), figures));
        measures.add(orderValue(row, payers, figures));
        if (row.spendMinor().orElse(0L) > 0) {
            Credited customers = takings.newCustomers(row, context.period(), context.zone(), context.look());
            measures.add(customerCost(row, customers, figures));
        }
        return new Sheet(measures, payback(row, comparison.margin(row), context));
    }

    private static List<Measure> revenue(
            ComparedRow row, List<TakingsQueries.Payer> payers, OptionalInt margin, Figures figures) {
        List<Measure> measures = new ArrayList<>();
        List<Long> paid = payers.stream()
                .map(TakingsQueries.Payer::minor)
                .filter(minor -> minor != 0)
                .toList();
        Optional<Interval> interval = new Takings(Math.max(row.rateBase(), paid.size()), paid).interval();
        double revenue = row.revenueMinor();
        Measured measured = new Measured(revenue, interval);
        measures.add(measured.as(
                Texts.of("common.revenue"),
                Texts.of("compare.source.value-of-bookings-and-purchases"),
                figures::money));
        double spend = row.spendMinor().orElse(0L);
        if (spend > 0) {
            measures.add(measured.as(
                    "ROAS", Texts.of("compare.source.revenue-by-spend"), minor -> figures.decimal(minor / spend)));
            margin.ifPresent(percent -> measures.add(measured.as(
                    "ROI",
                    Texts.of("compare.source.revenue-margin-of-spend-spend", percent),
                    minor -> figures.wholePercent((minor * percent / 100 - spend) / spend))));
        }
        return measures;
    }

    /** An amount with its interval, to be shown as one measure or another. */
    private record Measured(double minor, Optional<Interval> interval) {
        Measure as(String name, String rule, DoubleFunction<String> shown) {
            return new Measure(
                    name,
                    rule,
                    shown.apply(minor),
                    interval.map(one ->
                                    Texts.of("compare.source.from-to", shown.apply(one.low()), shown.apply(one.high())))
                            .orElse(Texts.of("compare.source.too-few-paid")));
        }
    }

    private static Measure orderValue(ComparedRow row, List<TakingsQueries.Payer> payers, Figures figures) {
        Credited orders = Stream.of(OutcomeKind.values())
                .filter(OutcomeKind::isRevenue)
                .map(row::credited)
                .reduce(Credited.none(), Credited::plus);
        OrderValue value = new OrderValue(payers.stream()
                .filter(payer -> payer.orders() > 0)
                .map(payer -> new OrderValue.Payer(payer.minor(), payer.orders()))
                .toList());
        OptionalDouble average = value.averageMinor();
        return new Measure(
                Texts.of("compare.source.average-order-value"),
                Texts.of("compare.source.revenue-bookings-and-purchases", figures.credit(orders.number())),
                average.isPresent() ? figures.money(average.getAsDouble()) : Texts.of("compare.source.none"),
                value.interval()
                        .map(one ->
                                Texts.of("compare.source.from-to", figures.money(one.low()), figures.money(one.high())))
                        .orElse(Texts.of("compare.source.too-few-paid")));
    }

    private static Measure customerCost(ComparedRow row, Credited customers, Figures figures) {
        Plot.Given given = Plot.Given.ofCost(new CostPer(row.spendMinor().orElse(0L), customers.count()), figures);
        return new Measure(
                "CAC",
                Texts.of("compare.source.spend-first-time-customers", figures.credit(customers.number())),
                given.shown(),
                given.range(figures::money));
    }

    private String payback(ComparedRow row, OptionalInt margin, CompareContext context) {
        Figures figures = context.figures();
        Optional<LocalDate> first = row.source().flatMap(source -> spends.firstDay(source, context.period()));
        long spend = row.spendMinor().orElse(0L);
        if (margin.isEmpty() || first.isEmpty() || spend == 0) {
            return "";
        }
        String paid = Payback.of(
                        spend,
                        margin.getAsInt(),
                        first.get(),
                        takings.byDay(row, context.period(), context.zone(), context.look()))
                .map(back -> Texts.of("compare.source.payback-by", days(back.days()), figures.day(back.coveredOn())))
                .orElse(Texts.of("compare.source.payback-the-margin-has-not", figures.money(spend)));
        return Texts.of(
                "compare.source.payback-counted-from",
                paid,
                figures.day(first.get()),
                figures.wholePercent(margin.getAsInt() / 100.0));
    }

    private static String days(long days) {
        return days == 1 ? Texts.of("compare.source.on-the-first-day") : Texts.of("compare.source.after-days", days);
    }
}
