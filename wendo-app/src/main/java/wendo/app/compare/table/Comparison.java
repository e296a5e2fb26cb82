package wendo.app.compare.table;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import wendo.app.compare.sql.Credited;
import wendo.app.compare.sql.Grouping;
import wendo.app.money.targets.Target;
import wendo.app.money.targets.Targets;
import wendo.core.measure.AgainstAverage;
import wendo.core.measure.Ceiling;
import wendo.core.measure.CostPer;
import wendo.core.measure.Count;
import wendo.core.outcomes.OutcomeKind;

/**
 * Groups side by side. Every column of the total is the sum of the column; a person who came by two sources counts at
 * both, so {@code differentPeople} may be less than the total's people.
 */
public record Comparison(
        Grouping grouping, List<ComparedRow> rows, ComparedRow total, long differentPeople, Targets.All targets) {
    public Comparison {
        rows = List.copyOf(rows);
    }

    /** With what another model credits each row with, by key. */
    public Comparison with(OutcomeKind kind, Map<String, Credited> credited) {
        return new Comparison(
                grouping,
                rows.stream()
                        .map(row -> row.with(kind, credited.getOrDefault(row.key(), Credited.none())))
                        .toList(),
                total.with(kind, credited.values().stream().reduce(Credited.none(), Credited::plus)),
                differentPeople,
                targets);
    }

    public Optional<ComparedRow> find(String key) {
        return rows.stream().filter(row -> row.key().equals(key)).findFirst();
    }

    /** The groups that have a cost: those with spend. */
    public List<ComparedRow> paid() {
        return rows.stream()
                .filter(row -> row.isGroup() && row.spendMinor().isPresent())
                .toList();
    }

    /** The groups that people came by and that no spend is entered for, most people first. */
    public List<ComparedRow> unpaid() {
        return rows.stream()
                .filter(row -> row.isGroup() && row.spendMinor().isEmpty() && row.people() > 0)
                .sorted(Comparator.comparingLong(ComparedRow::people).reversed())
                .toList();
    }

    /** What an outcome costs on average over the groups with spend. */
    public CostPer averageCost(OutcomeKind kind) {
        return new CostPer(
                paid().stream().mapToLong(row -> row.spendMinor().orElse(0L)).sum(),
                paid().stream().map(row -> row.credited(kind).count()).reduce(Count.of(0), Count::plus));
    }

    /**
     * The most that an outcome may cost a group: its own amount or margin, else that of the business, else the average.
     * Empty if not even that is known.
     */
    Optional<Ceiling> ceiling(ComparedRow row, OutcomeKind kind) {
        Target own = own(row);
        return amount(own, kind, Ceiling.Basis.OF_SOURCE)
                .or(() -> breakEven(own.marginPercent(), kind))
                .or(() -> amount(targets.business(), kind, Ceiling.Basis.OF_ALL))
                .or(() -> breakEven(targets.business().marginPercent(), kind))
                .or(() -> averageCost(kind).valueMinor().stream()
                        .filter(average -> average > 0)
                        .mapToObj(average -> new Ceiling(average, Ceiling.Basis.AVERAGE))
                        .findFirst());
    }

    private Target own(ComparedRow row) {
        return grouping == Grouping.SOURCE || grouping == Grouping.PARTNER
                ? row.source().map(targets::of).orElse(Target.NONE)
                : Target.NONE;
    }

    /** What is left of a value, in per cent, if that is set. */
    public OptionalInt margin(ComparedRow row) {
        OptionalInt own = own(row).marginPercent();
        return own.isPresent() ? own : targets.business().marginPercent();
    }

    private static Optional<Ceiling> amount(Target target, OutcomeKind kind, Ceiling.Basis basis) {
        return target.ceilingMinor(kind).map(minor -> new Ceiling(minor, basis));
    }

    private Optional<Ceiling> breakEven(OptionalInt margin, OutcomeKind kind) {
        Credited all = total.credited(kind);
        return margin.isEmpty() || all.millionths() <= 0 || all.minor() <= 0
                ? Optional.empty()
                : Ceiling.breakEven(all.minor() / all.count().value(), margin.getAsInt());
    }

    public Judged judged(ComparedRow row, OutcomeKind kind) {
        return judgedByKey(kind).getOrDefault(row.key(), unjudged(row, kind));
    }

    /** The groups with spend, as they are judged by each outcome. */
    public Map<OutcomeKind, Map<String, Judged>> judgedByKind() {
        Map<OutcomeKind, Map<String, Judged>> all = new EnumMap<>(OutcomeKind.class);
        for (OutcomeKind kind : OutcomeKind.values()) {
            all.put(kind, judgedByKey(kind));
        }
        return all;
    }

    /** Without spend there is no cost to judge. */
    Judged unjudged(ComparedRow row, OutcomeKind kind) {
        return new Judged(row, row.costPer(kind), ceiling(row, kind), Optional.empty());
    }

    /** The groups with spend, as they are judged, by key. Those without a target are searched together. */
    public Map<String, Judged> judgedByKey(OutcomeKind kind) {
        Map<String, Judged> all = new LinkedHashMap<>();
        List<ComparedRow> searched = new ArrayList<>();
        for (ComparedRow row : paid()) {
            Optional<Ceiling> ceiling = ceiling(row, kind);
            all.put(row.key(), new Judged(row, row.costPer(kind), ceiling, Optional.empty()));
            if (ceiling.filter(Ceiling::isAverage).isPresent()
                    && row.costPer(kind).spendMinor() > 0) {
                searched.add(row);
            }
        }
        List<AgainstAverage> found = AgainstAverage.search(
                searched.stream().map(row -> row.costPer(kind)).toList(), averageCost(kind));
        for (int i = 0; i < searched.size(); i++) {
            ComparedRow row = searched.get(i);
            all.put(row.key(), new Judged(row, row.costPer(kind), ceiling(row, kind), Optional.of(found.get(i))));
        }
        return all;
    }

    /** The groups with spend, as they are judged, in the order of their cost. */
    public List<Judged> judged(OutcomeKind kind) {
        return judgedByKey(kind).values().stream()
                .sorted(Comparator.comparingDouble(
                        one -> one.cost().valueMinor().orElse(Double.MAX_VALUE)))
                .toList();
    }
}
