package wendo.app.compare.sql;

import java.time.LocalDate;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import wendo.app.money.spend.Spends;
import wendo.core.credit.Allocation;
import wendo.core.measure.Period;

/**
 * What of the spend falls to each group. What was spent on a source as a whole is shared over the groups that its links
 * belong to by people's visits in the period; without visits, by its links.
 */
@Component
public class GroupSpend {
    private final JdbcClient jdbc;
    private final Spends spends;

    private record Weight(String key, long visits, long links) {}

    public GroupSpend(JdbcClient jdbc, Spends spends) {
        this.jdbc = jdbc;
        this.spends = spends;
    }

    /** By key, in minor units; a group without any is absent. */
    public Map<String, Long> byKey(Period period, Grouping grouping) {
        Map<String, Long> byKey = new HashMap<>();
        if (grouping.isOfSources()) {
            Map<UUID, String> keys = keysOfSources(grouping);
            spends.bySource(period)
                    .forEach(
                            (source, minor) -> byKey.merge(keys.getOrDefault(source, GroupSql.NONE), minor, Long::sum));
        } else if (grouping.isOfLinks()) {
            shareByLinks(period, grouping, byKey);
        } else if (grouping == Grouping.MONTH) {
            months(period).forEach((month, days) -> {
                Map<UUID, Long> spent = spends.bySource(days);
                if (!spent.isEmpty()) {
                    byKey.put(
                            month,
                            spent.values().stream().mapToLong(Long::longValue).sum());
                }
            });
        }
        return byKey;
    }

    private Map<UUID, String> keysOfSources(Grouping grouping) {
        Map<UUID, String> keys = new HashMap<>();
        jdbc.sql("select s.id, %s from source s"
                        .formatted(GroupSql.of(grouping, "").visitKey()))
                .query(row -> {
                    keys.put(row.getObject(1, UUID.class), row.getString(2));
                });
        return keys;
    }

    private void shareByLinks(Period period, Grouping grouping, Map<String, Long> byKey) {
        Map<UUID, Long> ofLinks = new HashMap<>();
        Map<UUID, Long> whole = new HashMap<>();
        spends.parts(period).forEach(part -> {
            if (part.campaign().isPresent() && grouping == Grouping.CAMPAIGN) {
                byKey.merge(part.campaign().get().toString(), part.minor(), Long::sum);
            } else if (part.link().isPresent()) {
                ofLinks.merge(part.link().get(), part.minor(), Long::sum);
            } else {
                whole.merge(part.source(), part.minor(), Long::sum);
            }
        });
        String key = GroupSql.of(grouping, "").visitKey();
        jdbc.sql("select l.id, %s from link l where l.id = any(:links)".formatted(key))
                .param("links", ofLinks.keySet().toArray(UUID[]::new))
                .query(row -> {
                    byKey.merge(row.getString(2), ofLinks.getOrDefault(row.getObject(1, UUID.class), 0L), Long::sum);
                });
        Map<UUID, List<Weight>> weights = weights(key, whole.keySet(), period);
        whole.forEach((source, minor) -> share(minor, weights.getOrDefault(source, List.of()), byKey));
    }

    private Map<UUID, List<Weight>> weights(String key, Set<UUID> sources, Period period) {
        Map<UUID, List<Weight>> weights = new HashMap<>();
        jdbc.sql("""
                        select l.source_id, %s, coalesce(sum(v.visits), 0), count(distinct l.id)
                        from link l left join visits_of_days(:first, :end) v
                            on v.link_id = l.id and v.kind = 'person'
                        where l.source_id = any(:sources) group by 1, 2 order by 1, 2
                        """.formatted(key))
                .param("first", period.startInclusive())
                .param("end", period.endExclusive())
                .param("sources", sources.toArray(UUID[]::new))
                .query(row -> {
                    weights.computeIfAbsent(row.getObject(1, UUID.class), id -> new ArrayList<>())
                            .add(new Weight(row.getString(2), row.getLong(3), row.getLong(4)));
                });
        return weights;
    }

    private static void share(long minor, List<Weight> weights, Map<String, Long> byKey) {
        if (weights.isEmpty()) {
            byKey.merge(GroupSql.NONE, minor, Long::sum);
            return;
        }
        boolean anyVisits = weights.stream().anyMatch(weight -> weight.visits() > 0);
        List<Long> parts = Allocation.split(
                Math.abs(minor),
                weights.stream()
                        .map(weight -> anyVisits ? weight.visits() : weight.links())
                        .toList());
        for (int i = 0; i < weights.size(); i++) {
            if (parts.get(i) > 0) {
                byKey.merge(weights.get(i).key(), minor < 0 ? -parts.get(i) : parts.get(i), Long::sum);
            }
        }
    }

    /** The months of a period, by key, as far as they lie in it. */
    public static Map<String, Period> months(Period period) {
        Map<String, Period> months = new LinkedHashMap<>();
        LocalDate first = period.startInclusive();
        while (first.isBefore(period.endExclusive())) {
            LocalDate next = first.withDayOfMonth(1).plusMonths(1);
            LocalDate end = next.isBefore(period.endExclusive()) ? next : period.endExclusive();
            months.put(YearMonth.from(first).toString(), new Period(first, end));
            first = next;
        }
        return months;
    }
}
