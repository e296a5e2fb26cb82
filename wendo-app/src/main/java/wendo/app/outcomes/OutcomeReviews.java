package wendo.app.outcomes;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Timestamp;
import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.databind.json.JsonMapper;
import wendo.app.business.BusinessScope;
import wendo.app.business.Businesses;
import wendo.app.sitetag.OwnSites;
import wendo.core.outcomes.OutcomeReport;
import wendo.core.visits.SiteVisitor;

/** Reports of sites that were not believed: kept, counted nowhere, accepted or discarded by somebody of the business. */
@Service
public class OutcomeReviews {
    static final int MOST = 200;

    private final JdbcClient jdbc;
    private final Outcomes outcomes;
    private final Businesses businesses;
    private final OwnSites sites;
    private final JsonMapper json;
    private final Clock clock;

    OutcomeReviews(
            JdbcClient jdbc, Outcomes outcomes, Businesses businesses, OwnSites sites, JsonMapper json, Clock clock) {
        this.jdbc = jdbc;
        this.outcomes = outcomes;
        this.businesses = businesses;
        this.sites = sites;
        this.json = json;
        this.clock = clock;
    }

    /** One that waits. */
    record Waiting(
            UUID id,
            ReportBody body,
            OutcomeReport report,
            String reporter,
            String visitor,
            String site,
            String reason,
            Instant receivedAt) {
        public String kind() {
            return report.kind().key();
        }

        public String reference() {
            return report.reference();
        }

        public long valueMinor() {
            return report.valueMinor().orElse(0);
        }
    }

    /** The first report of a reference waits; others of it tell nothing more. */
    @Transactional
    void hold(ReportBody body, OutcomeReport report, Reporter reporter, String visitor, String site, String reason) {
        jdbc.sql("""
                        insert into outcome_review
                        values (?, ?, ?, ?, cast(? as jsonb), ?, ?, ?, ?, ?, 'waiting', '') on conflict do nothing
                        """)
                .params(
                        UUID.randomUUID(),
                        BusinessScope.current().value(),
                        report.kind().key(),
                        report.referenceKey())
                .params(
                        json.writeValueAsString(body),
                        reporter.key(),
                        visitor.length() <= 60 ? visitor : "",
                        site,
                        reason)
                .param(Timestamp.from(clock.instant()))
                .update();
    }

    @Transactional(readOnly = true)
    public long count() {
        return jdbc.sql("select count(*) from outcome_review where state = 'waiting'")
                .query(Long.class)
                .single();
    }

    /** Newest first. */
    @Transactional(readOnly = true)
    List<Waiting> waiting() {
        return jdbc.sql("""
                        select id, body, reported_by, visitor, site, reason, received_at from outcome_review
                        where state = 'waiting' order by received_at desc, id limit ?
                        """).param(MOST).query(this::read).list();
    }

    /** Counts it from when it came; false if somebody was faster. */
    @Transactional
    boolean accept(UUID id, String by) {
        Optional<Waiting> found = waiting(id);
        if (found.isEmpty() || !decide(id, "accepted", by)) {
            return false;
        }
        Recorded recorded =
                outcomes.record(found.get().report(), Reporter.of(found.get().reporter()));
        if (recorded instanceof Recorded.New one) {
            SiteVisitor.find(found.get().visitor()).ifPresent(who -> outcomes.by(one.outcome(), who));
        }
        return true;
    }

    /** From now on what pages of this site report counts at once, and what waits from there is accepted. */
    @Transactional
    void trust(String site, String by) {
        sites.add(site, by);
        waiting().stream()
                .filter(one -> one.site().equals(site))
                .filter(one -> one.valueMinor() <= sites.mostBelievedMinor())
                .forEach(one -> accept(one.id(), by));
    }

    @Transactional
    boolean discard(UUID id, String by) {
        return decide(id, "discarded", by);
    }

    private boolean decide(UUID id, String state, String by) {
        return jdbc.sql("update outcome_review set state = ?, decided_by = ? where id = ? and state = 'waiting'")
                        .params(state, by, id)
                        .update()
                == 1;
    }

    private Optional<Waiting> waiting(UUID id) {
        return jdbc.sql("""
                        select id, body, reported_by, visitor, site, reason, received_at from outcome_review
                        where id = ? and state = 'waiting'
                        """).param(id).query(this::read).optional();
    }

    private Waiting read(ResultSet row, int number) throws SQLException {
        Instant receivedAt = row.getTimestamp(7).toInstant();
        ReportBody body = json.readValue(row.getString(2), ReportBody.class).at(receivedAt);
        return new Waiting(
                row.getObject(1, UUID.class),
                body,
                body.check(businesses.current(), clock.instant()),
                row.getString(3),
                row.getString(4),
                row.getString(5),
                row.getString(6),
                receivedAt);
    }
}
