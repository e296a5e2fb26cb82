package wendo.app.compare;

import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.function.ToLongFunction;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import wendo.app.business.Business;
import wendo.app.spend.Spends;
import wendo.core.measure.Period;

/** Sets sources side by side: visits by their own day, outcomes by theirs, spend by the days it covers. */
@Service
public class Comparisons {
    public static final String LAST_TOUCH = "last-touch";

    private final CompareQueries queries;
    private final Spends spends;

    Comparisons(CompareQueries queries, Spends spends) {
        this.queries = queries;
        this.spends = spends;
    }

    /** Rows by channel, then by revenue, the unknown last. */
    @Transactional(readOnly = true)
    public Comparison compare(Period period, Business business) {
        Map<UUID, Long> spent = spends.bySource(period);
        List<ComparedSource> rows = queries.bySource(period, business.zone(), LAST_TOUCH).stream()
                .map(row -> compared(row, row.id().map(spent::get)))
                .sorted(Comparator.comparing((ComparedSource row) ->
                                row.channel().map(Enum::ordinal).orElse(Integer.MAX_VALUE))
                        .thenComparing(Comparator.comparing(ComparedSource::revenueMinor)
                                .reversed())
                        .thenComparing(ComparedSource::name))
                .toList();
        return new Comparison(rows, total(rows), queries.differentPeople(period));
    }

    private static ComparedSource compared(CompareQueries.Row row, Optional<Long> spent) {
        return new ComparedSource(
                row.name(),
                row.channel(),
                row.visits(),
                row.people(),
                row.leads(),
                row.bookings(),
                row.purchases(),
                row.revenueMinor(),
                spent);
    }

    private static ComparedSource total(List<ComparedSource> rows) {
        boolean anySpend = rows.stream().anyMatch(row -> row.spendMinor().isPresent());
        long spend = sum(rows, row -> row.spendMinor().orElse(0L));
        return new ComparedSource(
                "All sources",
                Optional.empty(),
                sum(rows, ComparedSource::visits),
                sum(rows, ComparedSource::people),
                sum(rows, ComparedSource::leads),
                sum(rows, ComparedSource::bookings),
                sum(rows, ComparedSource::purchases),
                sum(rows, ComparedSource::revenueMinor),
                anySpend ? Optional.of(spend) : Optional.empty());
    }

    private static long sum(List<ComparedSource> rows, ToLongFunction<ComparedSource> column) {
        return rows.stream().mapToLong(column).sum();
    }
}
