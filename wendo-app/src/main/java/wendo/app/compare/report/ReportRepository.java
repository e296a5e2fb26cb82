package wendo.app.compare.report;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.domain.Limit;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.Repository;

interface ReportRepository extends Repository<StoredReport, UUID> {
    List<StoredReport> findAllByOrderByCreatedAtDescIdAsc(Limit most);

    Optional<StoredReport> findById(UUID id);

    Optional<StoredReport> findByToken(String token);

    void save(StoredReport report);

    /** Readers open it at once; none of them edits it. */
    @Modifying
    @Query(
            "update StoredReport report set report.opened = report.opened + 1, report.openedAt = :now where report.id = :id")
    void countOpening(UUID id, Instant now);
}
