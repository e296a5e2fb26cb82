package wendo.app.outcome.outcomes;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import wendo.app.platform.site.Figures;
import wendo.core.outcomes.OutcomeKind;
import wendo.core.outcomes.OutcomeReport;

/** The SQL of single outcomes. */
@Component
class OutcomeQueries {
    private final JdbcClient jdbc;

    OutcomeQueries(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /** What later news changed. */
    record Change(Instant at, String by, KnownOutcome.Change what) {
        Shown in(Figures figures) {
            return new Shown(at, by, ChangeWords.of(what, figures));
        }

        /** As a page shows it. */
        record Shown(Instant at, String by, ChangeWords words) {}
    }

    @Transactional(readOnly = true)
    Optional<LedgerRow> find(UUID id) {
        return jdbc.sql(LedgerRow.SQL + "where o.id = ?")
                .param(id)
                .query(LedgerRow::read)
                .optional();
    }

    /** Those of these outcomes that are leads of this person. */
    @Transactional(readOnly = true)
    Set<UUID> leadsOf(UUID person, List<UUID> outcomes) {
        return outcomes.isEmpty()
                ? Set.of()
                : Set.copyOf(
                        jdbc.sql("select outcome_id from lead where owner_id = :person and outcome_id in (:outcomes)")
                                .param("person", person)
                                .param("outcomes", outcomes)
                                .query(UUID.class)
                                .list());
    }

    @Transactional(readOnly = true)
    Optional<LedgerRow> find(OutcomeKind kind, String reference) {
        return jdbc.sql(LedgerRow.SQL + "where o.kind = ? and o.reference_key = ?")
                .params(kind.key(), OutcomeReport.key(reference))
                .query(LedgerRow::read)
                .optional();
    }

    /** How often it was changed; the form that puts it right carries it along. */
    @Transactional(readOnly = true)
    int version(UUID id) {
        return jdbc.sql("select version + 1 from outcome where id = ?")
                .param(id)
                .query(Integer.class)
                .single();
    }

    /** Newest first. */
    @Transactional(readOnly = true)
    List<Change> changes(UUID outcome) {
        return jdbc.sql("""
                        select changed_at, changed_by, field, before, after from outcome_change
                        where outcome_id = ? order by changed_at desc, field desc
                        """)
                .param(outcome)
                .query((row, number) -> new Change(
                        row.getTimestamp(1).toInstant(),
                        row.getString(2),
                        new KnownOutcome.Change(row.getString(3), row.getString(4), row.getString(5))))
                .list();
    }

    @Transactional(readOnly = true)
    List<LedgerRow> newest(int limit, long offset) {
        return jdbc.sql(LedgerRow.SQL
                        + "where not o.is_proof order by o.occurred_at desc, o.id limit :limit offset :offset")
                .param("limit", limit)
                .param("offset", offset)
                .query(LedgerRow::read)
                .list();
    }
}
