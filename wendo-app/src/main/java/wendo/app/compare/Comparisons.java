package wendo.app.compare;

import java.util.Comparator;
import java.util.EnumMap;
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
import wendo.core.outcomes.OutcomeKind;

/** Sets sources side by side: visits by their own day, outcomes by that of the clock, spend by the days it covers. */
@Service
public class Comparisons {
    private final CompareQueries queries;
    private final ModelQueries models;
    private final Spends spends;

    Comparisons(CompareQueries queries, ModelQueries models, Spends spends) {
        this.queries = queries;
        this.models = models;
        this.spends = spends;
    }

    /** Rows by channel, then by revenue, the unknown last. */
    @Transactional(readOnly = true)
    public Comparison compare(Period period, Business business, CompareChoice choice) {
        Map<UUID, Long> spent = spends.bySource(period);
        List<ComparedSource> rows = queries.bySource(period, business.zone(), choice).stream()
                .map(row -> compared(row, row.id().map(spent::get)))
                .sorted(Comparator.comparing((ComparedSource row) ->
                                row.channel().map(Enum::ordinal).orElse(Integer.MAX_VALUE))
                        .thenComparing(Comparator.comparing(ComparedSource::revenueMinor)
                                .reversed())
                        .thenComparing(ComparedSource::name))
                .toList();
        return new Comparison(rows, total(rows), queries.differentPeople(period));
    }

    /** How the sources are judged under every model. */
    @Transactional(readOnly = true)
    ModelView models(Comparison comparison, Period period, Business business, CompareChoice choice) {
        return ModelView.of(comparison, models.credited(period, business.zone(), choice));
    }

    private static ComparedSource compared(CompareQueries.Row row, Optional<Long> spent) {
        return new ComparedSource(
                row.id(),
                row.name(),
                row.channel(),
                row.visits(),
                row.people(),
                row.credited(),
                row.revenueMinor(),
                spent);
    }

    private static ComparedSource total(List<ComparedSource> rows) {
        boolean anySpend = rows.stream().anyMatch(row -> row.spendMinor().isPresent());
        long spend = sum(rows, row -> row.spendMinor().orElse(0L));
        return new ComparedSource(
                Optional.empty(),
                "All sources",
                Optional.empty(),
                sum(rows, ComparedSource::visits),
                sum(rows, ComparedSource::people),
                credited(rows),
                sum(rows, ComparedSource::revenueMinor),
                anySpend ? Optional.of(spend) : Optional.empty());
    }

    private static Map<OutcomeKind, Credited> credited(List<ComparedSource> rows) {
        Map<OutcomeKind, Credited> all = new EnumMap<>(OutcomeKind.class);
        for (OutcomeKind kind : OutcomeKind.values()) {
            all.put(kind, rows.stream().map(row -> row.credited(kind)).reduce(Credited.none(), Credited::plus));
        }
        return all;
    }

    private static long sum(List<ComparedSource> rows, ToLongFunction<ComparedSource> column) {
        return rows.stream().mapToLong(column).sum();
    }
}
