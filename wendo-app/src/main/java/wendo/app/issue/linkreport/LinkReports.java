package wendo.app.issue.linkreport;

import java.time.Clock;
import java.time.Instant;
import java.util.Optional;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import wendo.app.platform.business.BusinessId;
import wendo.app.platform.business.EditedVersion;
import wendo.app.platform.site.RandomToken;

/** The reports of the current business's links. */
@Service
class LinkReports {
    private final LinkReportRepository repository;
    private final JdbcClient jdbc;
    private final Clock clock;

    LinkReports(LinkReportRepository repository, JdbcClient jdbc, Clock clock) {
        this.repository = repository;
        this.jdbc = jdbc;
        this.clock = clock;
    }

    /**
     * A report as pages show it.
     *
     * @param period the part of an address that chooses its period
     */
    record Shown(
            ReportSubject of,
            boolean isOn,
            boolean withOutcomes,
            String period,
            String token,
            int version,
            long opened,
            Optional<Instant> openedAt) {
        private static Shown of(LinkReport report) {
            return new Shown(
                    report.of(),
                    report.isOn(),
                    report.withOutcomes(),
                    report.period(),
                    report.token(),
                    report.version(),
                    report.opened(),
                    report.openedAt());
        }
    }

    @Transactional(readOnly = true)
    Optional<Shown> find(ReportSubject of) {
        return repository.findByKindAndSubject(of.kind().key(), of.key()).map(Shown::of);
    }

    /** What it shows, and of which period. */
    record Wanted(boolean outcomes, String period) {}

    /** Of two who switch on the same at once, one is refused by the unique key. */
    @Transactional
    void show(ReportSubject of, EditedVersion edited, Wanted wanted, String by) {
        LinkReport report = repository
                .findByKindAndSubject(of.kind().key(), of.key())
                .orElseGet(() -> new LinkReport(of, RandomToken.next(), clock.instant(), by));
        report.mustStillBe(edited);
        report.show(wanted.outcomes(), wanted.period());
        repository.save(report);
    }

    @Transactional
    void switchOff(ReportSubject of) {
        repository.findByKindAndSubject(of.kind().key(), of.key()).ifPresent(LinkReport::switchOff);
    }

    /** Whose report this address is of; asked by anybody. */
    @Transactional(readOnly = true)
    Optional<BusinessId> businessOf(String token) {
        return jdbc.sql("select door_link_report(?)")
                .param(token)
                .query(UUID.class)
                .optional()
                .map(BusinessId::new);
    }

    /** Counts the opening too. */
    @Transactional
    Optional<Shown> open(String token) {
        Optional<LinkReport> found = repository.findByToken(token).filter(LinkReport::isOn);
        Optional<Shown> shown = found.map(Shown::of);
        found.ifPresent(report -> repository.countOpening(report.id(), clock.instant()));
        return shown;
    }
}
