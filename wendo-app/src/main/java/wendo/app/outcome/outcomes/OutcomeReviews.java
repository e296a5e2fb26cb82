package wendo.app.outcome.outcomes;

import java.sql.Timestamp;
import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.domain.Limit;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.databind.json.JsonMapper;
import wendo.app.platform.business.BusinessScope;
import wendo.app.platform.business.Businesses;
import wendo.app.visit.sitetag.OwnSites;
import wendo.core.outcomes.OutcomeReport;
import wendo.core.visits.SiteVisitor;

/** Reports of sites that were not believed: kept, counted nowhere, accepted or discarded by somebody of the business. */
@Service
public class OutcomeReviews {
    static final int MOST = 200;
    private static final String WAITING = "waiting";

    private final ReviewRepository repository;
    private final JdbcClient jdbc;
    private final Outcomes outcomes;
    private final Businesses businesses;
    private final OwnSites sites;
    private final JsonMapper json;
    private final Clock clock;

    OutcomeReviews(
            ReviewRepository repository,
            JdbcClient jdbc,
            Outcomes outcomes,
            Businesses businesses,
            OwnSites sites,
            JsonMapper json,
            Clock clock) {
        this.repository = repository;
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
    void hold(ReportBody body, OutcomeReport report, ReportSender sender, String reason) {
        jdbc.sql("""
                        insert into outcome_review (id, business_id, kind, reference_key, body, reported_by, visitor, site,
                            reason, received_at, state, decided_by)
                        values (?, ?, ?, ?, cast(? as jsonb), ?, ?, ?, ?, ?, 'waiting', '') on conflict do nothing
                        """)
                .params(
                        UUID.randomUUID(),
                        BusinessScope.current().value(),
                        report.kind().key(),
                        report.referenceKey())
                .params(
                        json.writeValueAsString(body),
                        sender.reporter().key(),
                        sender.visitor().length() <= 60 ? sender.visitor() : "",
                        sender.site(),
                        reason)
                .param(Timestamp.from(clock.instant()))
                .update();
    }

    @Transactional(readOnly = true)
    public long count() {
        return repository.countByState(WAITING);
    }

    /** Newest first. */
    @Transactional(readOnly = true)
    List<Waiting> waiting() {
        return repository.findByStateOrderByReceivedAtDescIdAsc(WAITING, Limit.of(MOST)).stream()
                .map(this::read)
                .toList();
    }

    /** Counts it from when it came; false if somebody was faster. */
    @Transactional
    boolean accept(UUID id, String by) {
        Optional<StoredReview> found = repository.lock(id).filter(StoredReview::isWaiting);
        found.ifPresent(review -> {
            review.accept(by);
            Waiting one = read(review);
            if (outcomes.record(one.report(), Reporter.of(one.reporter())) instanceof Recorded.New fresh) {
                SiteVisitor.find(one.visitor()).ifPresent(who -> outcomes.by(fresh.outcome(), who));
            }
        });
        return found.isPresent();
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
        Optional<StoredReview> found = repository.lock(id).filter(StoredReview::isWaiting);
        found.ifPresent(review -> review.discard(by));
        return found.isPresent();
    }

    private Waiting read(StoredReview review) {
        ReportBody body = review.body();
        return new Waiting(
                review.id(),
                body,
                body.check(businesses.current(), clock.instant()),
                review.reportedBy(),
                review.visitor(),
                review.site(),
                review.reason(),
                review.receivedAt());
    }
}
