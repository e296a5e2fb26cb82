package wendo.app.compare.table;

import java.time.YearMonth;
import java.time.format.DateTimeFormatter;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.ToLongFunction;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import wendo.app.compare.sql.CompareChoice;
import wendo.app.compare.sql.CompareQueries;
import wendo.app.compare.sql.Credited;
import wendo.app.compare.sql.GroupSpend;
import wendo.app.compare.sql.GroupSql;
import wendo.app.compare.sql.Grouping;
import wendo.app.compare.sql.ModelQueries;
import wendo.app.money.targets.Targets;
import wendo.app.platform.business.Business;
import wendo.app.platform.site.Texts;
import wendo.core.links.Channel;
import wendo.core.measure.Period;
import wendo.core.outcomes.OutcomeKind;

/** Sets groups side by side: visits by their own day, outcomes by that of the clock, spend by the days it covers. */
@Service
public class Comparisons {
    private final CompareQueries queries;
    private final ModelQueries models;
    private final GroupSpend spend;
    private final Targets targets;

    public Comparisons(CompareQueries queries, ModelQueries models, GroupSpend spend, Targets targets) {
        this.queries = queries;
        this.models = models;
        this.spend = spend;
        this.targets = targets;
    }

    /** Rows by channel, then by revenue, what has no group last; months in their order. */
    @Transactional(readOnly = true)
    public Comparison compare(Period period, Business business, CompareChoice choice) {
        List<CompareQueries.Row> found = queries.byGroup(period, business.zone(), choice);
        Map<String, Long> spent = spend.byKey(period, choice.grouping());
        Set<String> keys = found.stream().map(CompareQueries.Row::key).collect(Collectors.toSet());
        Map<String, Long> folded = spent.entrySet().stream()
                .collect(Collectors.toMap(
                        entry -> keys.contains(entry.getKey()) ? entry.getKey() : restKey(keys),
                        Map.Entry::getValue,
                        Long::sum));
        List<ComparedRow> rows = Stream.concat(found.stream(), withSpendAlone(folded, keys))
                .map(row -> compared(row, Optional.ofNullable(folded.get(row.key())), choice, business.locale()))
                .sorted(order(choice.grouping()))
                .toList();
        return new Comparison(choice.grouping(), rows, total(rows), queries.differentPeople(period), targets.all());
    }

    /** Adds spend of a group without a row to the row of the others, or makes it a row of its own. */
    private static String restKey(Set<String> keys) {
        return keys.contains(ComparedRow.OTHERS) ? ComparedRow.OTHERS : GroupSql.NONE;
    }

    private static Stream<CompareQueries.Row> withSpendAlone(Map<String, Long> spent, Set<String> keys) {
        return spent.keySet().stream()
                .filter(key -> !keys.contains(key))
                .map(key -> new CompareQueries.Row(key, Optional.empty(), Optional.empty(), 0, 0, Map.of(), Map.of()));
    }

    private static Comparator<ComparedRow> order(Grouping grouping) {
        Comparator<ComparedRow> groupsFirst = Comparator.comparing(row -> !row.isGroup());
        return grouping == Grouping.MONTH
                ? groupsFirst.thenComparing(ComparedRow::key)
                : groupsFirst
                        .thenComparing(row -> row.channel().map(Enum::ordinal).orElse(Integer.MAX_VALUE))
                        .thenComparing(
                                Comparator.comparing(ComparedRow::revenueMinor).reversed())
                        .thenComparing(Comparator.comparing(ComparedRow::visits).reversed())
                        .thenComparing(ComparedRow::isUnknown)
                        .thenComparing(ComparedRow::name);
    }

    /** How the groups are judged under every model. */
    @Transactional(readOnly = true)
    public ModelView models(Comparison comparison, Period period, Business business, CompareChoice choice) {
        return ModelView.of(comparison, choice.kind(), models.credited(period, business.zone(), choice));
    }

    private static ComparedRow compared(
            CompareQueries.Row row, Optional<Long> spent, CompareChoice choice, Locale locale) {
        Grouping grouping = choice.grouping();
        return new ComparedRow(
                row.key(),
                name(row, grouping, locale),
                grouping == Grouping.CHANNEL ? channel(row.key()) : row.channel(),
                row.visits(),
                row.people(),
                grouping.isOfVisits() ? row.visits() : row.people(),
                row.credited(),
                row.rated(),
                spent);
    }

    private static Optional<Channel> channel(String key) {
        return Stream.of(Channel.values()).filter(one -> one.name().equals(key)).findFirst();
    }

    private static String name(CompareQueries.Row row, Grouping grouping, Locale locale) {
        return named(row).or(() -> nameless(row.key(), grouping)).orElseGet(() -> spoken(row.key(), grouping, locale));
    }

    /** The row of all others has no name of one group. */
    private static Optional<String> named(CompareQueries.Row row) {
        return row.name().filter(name -> !row.key().equals(ComparedRow.OTHERS));
    }

    /** What is called so where it is no group of its own. */
    static Optional<String> nameless(String key, Grouping grouping) {
        return switch (key) {
            case GroupSql.UNKNOWN -> Optional.of(Texts.of("common.direct-or-unknown"));
            case ComparedRow.OTHERS -> Optional.of(Texts.of("compare.table.all-other", grouping.plural()));
            case GroupSql.NONE -> Optional.of(none(grouping));
            case "nobody" -> Optional.of("Nobody’s links");
            default -> Optional.empty();
        };
    }

    private static String none(Grouping grouping) {
        return switch (grouping) {
            case PARTNER -> Texts.of("compare.table.not-by-a-partner");
            case COUNTRY, DEVICE -> Texts.of("compare.table.unknown");
            default -> Texts.of("compare.table.by-no-link");
        };
    }

    private static String spoken(String key, Grouping grouping, Locale locale) {
        return switch (grouping) {
            case CHANNEL ->
                channel(key)
                        .map(one -> Texts.of("common.channel-name", one.key()))
                        .orElse(key);
            case COUNTRY -> new Locale("", key).getDisplayCountry(locale);
            case MONTH -> DateTimeFormatter.ofPattern("MMMM yyyy", locale).format(YearMonth.parse(key));
            case DEVICE -> Texts.of("common.device-group", key);
            default -> key;
        };
    }

    private static ComparedRow total(List<ComparedRow> rows) {
        boolean anySpend = rows.stream().anyMatch(row -> row.spendMinor().isPresent());
        long spend = sum(rows, row -> row.spendMinor().orElse(0L));
        return new ComparedRow(
                ComparedRow.TOTAL,
                Texts.of("common.total"),
                Optional.empty(),
                sum(rows, ComparedRow::visits),
                sum(rows, ComparedRow::people),
                sum(rows, ComparedRow::rateBase),
                credited(rows),
                rated(rows),
                anySpend ? Optional.of(spend) : Optional.empty());
    }

    private static Map<OutcomeKind, Credited> credited(List<ComparedRow> rows) {
        Map<OutcomeKind, Credited> all = new EnumMap<>(OutcomeKind.class);
        for (OutcomeKind kind : OutcomeKind.values()) {
            all.put(kind, rows.stream().map(row -> row.credited(kind)).reduce(Credited.none(), Credited::plus));
        }
        return all;
    }

    private static Map<OutcomeKind, Long> rated(List<ComparedRow> rows) {
        Map<OutcomeKind, Long> all = new EnumMap<>(OutcomeKind.class);
        for (OutcomeKind kind : OutcomeKind.values()) {
            all.put(kind, sum(rows, row -> row.ratedMillionths().getOrDefault(kind, 0L)));
        }
        return all;
    }

    private static long sum(List<ComparedRow> rows, ToLongFunction<ComparedRow> column) {
        return rows.stream().mapToLong(column).sum();
    }
}
