package wendo.app.compare.report;

import java.security.SecureRandom;
import java.time.Clock;
import java.time.LocalDate;
import java.util.Base64;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.domain.Limit;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import wendo.app.platform.business.BusinessId;

/** The reports that the current business has shared. */
@Service
class SharedReports {
    /** 128 bits: nobody guesses an address. */
    private static final int TOKEN_BYTES = 16;

    private static final int MOST_LISTED = 200;

    private final ReportRepository repository;
    private final JdbcClient jdbc;
    private final Clock clock;
    private final SecureRandom random = new SecureRandom();

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
        byte[] bytes = new byte[TOKEN_BYTES];
        random.nextBytes(bytes);
        String token = Base64.getUrlEncoder().withoutPadding().encodeToString(bytes);
        StoredReport report = new StoredReport(token, wanted, clock.instant(), by);
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
