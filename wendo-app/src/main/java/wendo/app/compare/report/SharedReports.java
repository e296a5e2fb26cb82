package wendo.app.compare.report;

import java.time.Clock;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.domain.Limit;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import wendo.app.platform.business.BusinessId;
import wendo.app.platform.site.RandomToken;

/** The reports that the current business has shared. */
@Service
class SharedReports {
    private static final int MOST_LISTED = 200;

    private final ReportRepository repository;
    private final JdbcClient jdbc;
    private final Clock clock;

    SharedReports(ReportRepository repository, JdbcClient jdbc, Clock clock) {
        this.repository = repository;
        this.jdbc = jdbc;
        this.clock = clock;
    }

    /** A report that somebody wants to share. */
    record Wanted(
            String title, List<ReportSection> sections, String look, Optional<String> frozen, LocalDate lastDay) {}

    @Transactional
    UUID share(Wanted wanted, String by) {
        StoredReport report = new StoredReport(RandomToken.next(), wanted, clock.instant(), by);
        repository.save(report);
        return report.id();
    }

    /** Whether there was one to revoke. */
    @Transactional
    boolean revoke(UUID id) {
        Optional<StoredReport> report = repository.findById(id).filter(one -> !one.isRevoked());
        report.ifPresent(one -> one.revoke(clock.instant()));
        return report.isPresent();
    }

    /** Newest first. */
    @Transactional(readOnly = true)
    List<SharedReport> list() {
        return repository.findAllByOrderByCreatedAtDescIdAsc(Limit.of(MOST_LISTED)).stream()
                .map(StoredReport::report)
                .toList();
    }

    /** Whose report this address is of; asked by anybody. */
    @Transactional(readOnly = true)
    Optional<BusinessId> businessOf(String token) {
        return jdbc.sql("select door_report(?)")
                .param(token)
                .query(UUID.class)
                .optional()
                .map(BusinessId::new);
    }

    /** Counts the opening too. */
    @Transactional
    Optional<SharedReport> open(String token, LocalDate today) {
        Optional<SharedReport> found =
                repository.findByToken(token).map(StoredReport::report).filter(report -> report.isOpen(today));
        found.ifPresent(report -> repository.countOpening(report.id(), clock.instant()));
        return found;
    }
}
