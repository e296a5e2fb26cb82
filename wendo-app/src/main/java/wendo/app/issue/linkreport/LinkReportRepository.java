package wendo.app.issue.linkreport;

import java.time.Instant;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.Repository;

interface LinkReportRepository extends Repository<LinkReport, UUID> {
    Optional<LinkReport> findByKindAndSubject(String kind, String subject);

    Optional<LinkReport> findByToken(String token);

    void save(LinkReport report);

    /** Readers open it at once; none of them edits it, so it raises no version. */
    @Modifying
    @Query(
            "update LinkReport report set report.opened = report.opened + 1, report.openedAt = :now where report.id = :id")
    void countOpening(UUID id, Instant now);
}
