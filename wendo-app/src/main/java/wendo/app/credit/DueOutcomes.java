package wendo.app.credit;

import java.sql.Array;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Timestamp;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import wendo.app.platform.business.BusinessId;
import wendo.app.visit.visits.VisitsStored;
import wendo.core.credit.Entry;
import wendo.core.outcomes.Clue;
import wendo.core.outcomes.Evidence;
import wendo.core.outcomes.OutcomeKind;
import wendo.core.outcomes.OutcomeStatus;
import wendo.core.outcomes.Standing;

/** Reads outcomes that are to be credited. Runs in the transaction of its caller. */
@Component
class DueOutcomes {
    private final JdbcClient jdbc;

    DueOutcomes(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    private record Change(UUID outcome, Instant at, String field, String after) {}

    /** Those of them that are no tests. */
    List<DueOutcome> find(List<UUID> outcomes) {
        Map<UUID, List<Change>> changes = changes(outcomes);
        return jdbc.sql("""
                        select o.id, o.kind, o.occurred_at, o.click_id, o.status, o.value_minor, o.refunded_minor, t.follows_id,
                            array(select concat_ws(E'\\t', u.evidence, u.decides, coalesce(u.source_id::text, ''), u.said)
                                from outcome_clue u where u.outcome_id = o.id) as clues
                        from outcome o left join trail t on t.outcome_id = o.id
                        where o.id = any(?) and not o.is_proof
                        """)
                .param(outcomes.toArray(UUID[]::new))
                .query((row, number) -> due(row, changes))
                .list();
    }

    private static DueOutcome due(ResultSet row, Map<UUID, List<Change>> changes) throws SQLException {
        UUID id = row.getObject("id", UUID.class);
        Standing standing = new Standing(
                OutcomeStatus.find(row.getString("status")).orElseThrow(),
                row.getLong("value_minor"),
                row.getLong("refunded_minor"));
        Instant occurredAt = row.getTimestamp("occurred_at").toInstant();
        List<String> kept = texts(row.getArray("clues"));
        return new DueOutcome(
                id,
                OutcomeKind.find(row.getString("kind")).orElseThrow(),
                occurredAt,
                Optional.ofNullable(row.getObject("click_id", UUID.class)),
                Entry.of(
                        occurredAt,
                        standing.valueMinor(),
                        stood(standing, occurredAt, changes.getOrDefault(id, List.of()))),
                kept.stream()
                        .map(DueOutcomes::clue)
                        .filter(clue -> clue.evidence() != Evidence.CLICK)
                        .toList(),
                kept,
                Optional.ofNullable(row.getObject("follows_id", UUID.class)));
    }

    private static List<String> texts(Array array) throws SQLException {
        return Arrays.asList((String[]) array.getArray());
    }

    private static Clue clue(String line) {
        String[] parts = line.split("\t", 4);
        return new Clue(
                Evidence.of(parts[0]),
                parts[3],
                parts[2].isEmpty() ? Optional.empty() : Optional.of(UUID.fromString(parts[2])));
    }

    private Map<UUID, List<Change>> changes(List<UUID> outcomes) {
        Map<UUID, List<Change>> byOutcome = new HashMap<>();
        jdbc.sql("""
                        select outcome_id, changed_at, field, after from outcome_change
                        where outcome_id = any(?) and field in ('status', 'refunded') order by changed_at, field desc
                        """)
                .param(outcomes.toArray(UUID[]::new))
                .query((row, number) -> new Change(
                        row.getObject(1, UUID.class),
                        row.getTimestamp(2).toInstant(),
                        row.getString(3),
                        row.getString(4)))
                .list()
                .forEach(change -> byOutcome
                        .computeIfAbsent(change.outcome(), id -> new ArrayList<>())
                        .add(change));
        return byOutcome;
    }

    /** The outcome's status after each change. Without changes, today's status held from the beginning. */
    private static List<Entry.Stood> stood(Standing now, Instant occurredAt, List<Change> changes) {
        List<Entry.Stood> stood = new ArrayList<>();
        Standing standing = Standing.open(now.valueMinor());
        Instant last = occurredAt;
        for (Change change : changes) {
            standing = change.field().equals("status")
                    ? standing.withStatus(OutcomeStatus.find(change.after()).orElseThrow())
                    : refunded(standing, Long.parseLong(change.after()));
            boolean isSameMoment = change.at().equals(last) && !stood.isEmpty();
            if (isSameMoment) {
                stood.remove(stood.size() - 1);
            }
            stood.add(new Entry.Stood(change.at(), standing.counts(), standing.keptMinor()));
            last = change.at();
        }
        stood.add(new Entry.Stood(last, now.counts(), now.keptMinor()));
        return stood;
    }

    private static Standing refunded(Standing standing, long minor) {
        return standing.status() == OutcomeStatus.REFUNDED
                ? standing.withRefund(Math.min(minor, standing.valueMinor()))
                : standing;
    }

    /** Every outcome, the leads first, then by age; a portion after the one before. */
    List<UUID> after(boolean areLeads, Instant occurredAfter, UUID idAfter, int portion) {
        return jdbc.sql("""
                        select id from outcome
                        where not is_proof and (kind = 'lead') = ? and (occurred_at, id) > (?, ?)
                        order by occurred_at, id limit ?
                        """)
                .params(areLeads, Timestamp.from(occurredAfter), idAfter, portion)
                .query(UUID.class)
                .list();
    }

    Instant occurredAt(UUID outcome) {
        return jdbc.sql("select occurred_at from outcome where id = ?")
                .param(outcome)
                .query((row, number) -> row.getTimestamp(1).toInstant())
                .single();
    }

    int count() {
        return jdbc.sql("select count(*) from outcome where not is_proof")
                .query(Integer.class)
                .single();
    }

    /** Outcomes that came with this code or answer, or of visitors that came from this website. */
    List<UUID> with(String kind, String key) {
        String condition = switch (kind) {
            case "code" -> "o.code_key = ?";
            case "answer" -> "o.answer_key = ?";
            default -> "o.visitor in (select visitor from site_arrival where referrer_host = ?)";
        };
        return jdbc.sql("select o.id from outcome o where " + condition)
                .param(key)
                .query(UUID.class)
                .list();
    }

    /**
     * Outcomes that wait for one of these visits, and those that were credited before an earlier touch of their person was
     * stored: another process may have answered it.
     */
    Map<BusinessId, List<UUID>> waitingFor(VisitsStored stored) {
        return jdbc
                .sql("select business, outcome from door_outcomes_awaiting(?, ?, ?)")
                .params(stored.owners(), stored.clicks(), stored.visitors())
                .query((row, number) ->
                        Map.entry(new BusinessId(row.getObject(1, UUID.class)), row.getObject(2, UUID.class)))
                .list()
                .stream()
                .collect(Collectors.groupingBy(
                        Map.Entry::getKey, Collectors.mapping(Map.Entry::getValue, Collectors.toList())));
    }
}
