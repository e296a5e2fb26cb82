package wendo.app.money.partners;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import wendo.core.outcomes.OutcomeKind;
import wendo.core.outcomes.OutcomeStatus;
import wendo.core.outcomes.Standing;
import wendo.core.partners.CommissionLedger;
import wendo.core.partners.MonthCommission;
import wendo.core.partners.Worth;

/** Reads what commission is worked out of: a partner's outcomes with all that became of them. Runs in its caller's transaction. */
@Component
class OwedQueries {
    private final JdbcClient jdbc;

    OwedQueries(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /**
     * Which outcomes are wanted.
     *
     * @param months their first days; all if there are none
     * @param withFirsts whether it has to be known which outcome of a customer was the first
     * @param withUnagreed whether those count too that no terms are for yet, and that nobody else earns by
     */
    record Wanted(UUID partner, Set<LocalDate> months, boolean withFirsts, boolean withUnagreed) {}

    /** An outcome of a partner, and by which of its terms it is paid. */
    record Owed(LocalDate month, TermsWay way, String reference, CommissionLedger.Owed owed) {}

    private record Change(LocalDate day, String field, String before, String after) {}

    List<Owed> of(Wanted wanted, ZoneId zone) {
        Map<UUID, List<Change>> changes = changes(wanted, zone);
        return jdbc.sql("""
                        select o.id, o.kind, o.reference, o.status, o.value_minor, o.refunded_minor, o.delivery_minor, o.items,
                            p.month, case when p.way <> '' then p.way when p.evidence in ('click', 'visitor', 'contact') then 'link'
                                else 'code' end as way, (o.occurred_at at time zone :zone)::date as day,
                            not (:firsts and o.email <> '' and exists (select from outcome e where e.email = o.email
                                    and e.kind = o.kind and not e.is_proof and (e.occurred_at, e.id) < (o.occurred_at, o.id)))
                                and not (:firsts and o.phone <> '' and exists (select from outcome e where e.phone = o.phone
                                    and e.kind = o.kind and not e.is_proof and (e.occurred_at, e.id) < (o.occurred_at, o.id)))
                                as is_first
                        from partner_outcome p join outcome o on o.id = p.outcome_id
                        where p.partner_id = :partner and not o.is_proof and (:all or p.month = any(cast(:months as date[])))
                            and (p.earns or :unagreed and p.way = '' and not exists (
                                select from partner_outcome x where x.outcome_id = p.outcome_id and x.earns))
                        """)
                .param("partner", wanted.partner())
                .param("zone", zone.getId())
                .param("firsts", wanted.withFirsts())
                .param("unagreed", wanted.withUnagreed())
                .param("all", wanted.months().isEmpty())
                .param("months", CommissionRows.texts(wanted.months()))
                .query((row, number) -> owed(row, changes))
                .list();
    }

    private static Owed owed(ResultSet row, Map<UUID, List<Change>> changes) throws SQLException {
        UUID id = row.getObject("id", UUID.class);
        Standing now = new Standing(
                OutcomeStatus.find(row.getString("status")).orElseThrow(),
                row.getLong("value_minor"),
                row.getLong("refunded_minor"));
        List<Change> later = changes.getOrDefault(id, List.of());
        long first = later.stream()
                .filter(change -> change.field().equals("value"))
                .findFirst()
                .map(change -> Long.parseLong(change.before()))
                .orElse(now.valueMinor());
        Worth worth = new Worth(
                first,
                later.isEmpty() ? now.keptMinor() : first,
                row.getLong("delivery_minor"),
                row.getString("items"));
        return new Owed(
                row.getObject("month", LocalDate.class),
                TermsWay.of(row.getString("way")),
                row.getString("reference"),
                new CommissionLedger.Owed(
                        new MonthCommission.Earning(
                                id,
                                OutcomeKind.find(row.getString("kind")).orElseThrow(),
                                row.getObject("day", LocalDate.class),
                                worth,
                                row.getBoolean("is_first")),
                        stood(later, Standing.open(first), now)));
    }

    /** What was left after each change; after the last, what is left now. */
    private static List<CommissionLedger.Change> stood(List<Change> changes, Standing first, Standing now) {
        List<CommissionLedger.Change> stood = new ArrayList<>();
        Standing standing = first;
        for (int i = 0; i < changes.size(); i++) {
            standing = after(standing, changes.get(i));
            long kept = i + 1 < changes.size() ? standing.keptMinor() : now.keptMinor();
            stood.add(new CommissionLedger.Change(changes.get(i).day(), kept));
        }
        return stood;
    }

    private static Standing after(Standing standing, Change change) {
        if (change.field().equals("status")) {
            return standing.withStatus(OutcomeStatus.find(change.after()).orElseThrow());
        }
        long minor = Long.parseLong(change.after());
        if (change.field().equals("value")) {
            return standing.withValue(minor);
        }
        return standing.status() == OutcomeStatus.REFUNDED
                ? standing.withRefund(Math.min(minor, standing.valueMinor()))
                : standing;
    }

    private Map<UUID, List<Change>> changes(Wanted wanted, ZoneId zone) {
        Map<UUID, List<Change>> byOutcome = new HashMap<>();
        jdbc.sql("""
                        select c.outcome_id, (c.changed_at at time zone :zone)::date, c.field, c.before, c.after
                        from partner_outcome p join outcome_change c on c.outcome_id = p.outcome_id
                        where p.partner_id = :partner and (p.earns or p.way = '') and c.field in ('status', 'refunded', 'value')
                            and (:all or p.month = any(cast(:months as date[])))
                        order by c.changed_at, c.field desc
                        """)
                .param("partner", wanted.partner())
                .param("zone", zone.getId())
                .param("all", wanted.months().isEmpty())
                .param("months", CommissionRows.texts(wanted.months()))
                .query(row -> {
                    byOutcome
                            .computeIfAbsent(row.getObject(1, UUID.class), id -> new ArrayList<>())
                            .add(new Change(
                                    row.getObject(2, LocalDate.class),
                                    row.getString(3),
                                    row.getString(4),
                                    row.getString(5)));
                });
        return byOutcome;
    }
}
