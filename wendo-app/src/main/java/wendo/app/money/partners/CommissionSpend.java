package wendo.app.money.partners;

import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Component;
import wendo.app.money.spend.AddedSpend;
import wendo.app.money.spend.Spends;
import wendo.core.measure.Period;

/** What partners earn is what they cost, on the days of its lines. */
@Component
class CommissionSpend implements AddedSpend {
    private final CommissionQueries queries;

    CommissionSpend(CommissionQueries queries) {
        this.queries = queries;
    }

    @Override
    public List<Spends.Part> parts(Period period) {
        Map<UUID, LocalDate> first = queries.firstDays(period);
        return queries.earned(period).entrySet().stream()
                .map(one -> new Spends.Part(
                        one.getKey(),
                        Optional.empty(),
                        Optional.empty(),
                        first.getOrDefault(one.getKey(), period.startInclusive()),
                        one.getValue()))
                .toList();
    }
}
