package wendo.app.compare;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import wendo.core.measure.CostPer;
import wendo.core.measure.Count;
import wendo.core.outcomes.OutcomeKind;

/**
 * Sources side by side. Every column of the total is the sum of the column; a person who came by two sources counts at
 * both, so {@code differentPeople} may be less than the total's people.
 */
public record Comparison(List<ComparedSource> rows, ComparedSource total, long differentPeople) {
    public Comparison {
        rows = List.copyOf(rows);
    }

    Optional<ComparedSource> find(UUID source) {
        return rows.stream()
                .filter(row -> row.id().filter(source::equals).isPresent())
                .findFirst();
    }

    /** The sources that have a cost: those with spend. */
    List<ComparedSource> paid() {
        return rows.stream()
                .filter(row -> row.isSource() && row.spendMinor().isPresent())
                .toList();
    }

    /** What an outcome costs on average over the sources with spend: what each of them is held against. */
    CostPer averageCost(OutcomeKind kind) {
        return new CostPer(
                paid().stream().mapToLong(row -> row.spendMinor().orElse(0L)).sum(),
                paid().stream().map(row -> row.credited(kind).count()).reduce(Count.of(0), Count::plus));
    }
}
