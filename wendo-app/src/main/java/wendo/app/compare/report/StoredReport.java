package wendo.app.compare.report;

import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import java.time.Instant;
import java.time.LocalDate;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import wendo.app.platform.business.BusinessEntity;

/** A shared report as it is kept. */
@Entity
@Table(name = "shared_report")
class StoredReport extends BusinessEntity {
    private String token;
    private String title;
    private String[] sections = {};
    private String look;
    private @Nullable String frozen;
    private LocalDate lastDay;
    private Instant createdAt;
    private String createdBy;
    private @Nullable Instant revokedAt;
    private long opened;
    private @Nullable Instant openedAt;

    @SuppressWarnings("NullAway.Init")
    protected StoredReport() {}

    StoredReport(String token, SharedReports.Wanted wanted, Instant now, String by) {
        super(UUID.randomUUID());
        this.token = token;
        this.title = wanted.title();
        this.sections = wanted.sections().stream().map(ReportSection::key).toArray(String[]::new);
        this.look = wanted.look();
        this.frozen = wanted.frozen().orElse(null);
        this.lastDay = wanted.lastDay();
        this.createdAt = now;
        this.createdBy = by;
    }

    boolean isRevoked() {
        return revokedAt != null;
    }

    void revoke(Instant now) {
        this.revokedAt = now;
    }

    SharedReport report() {
        List<ReportSection> shown = Arrays.stream(sections)
                .flatMap(key -> ReportSection.find(key).stream())
                .toList();
        return new SharedReport(
                id(),
                token,
                title,
                shown,
                look,
                Optional.ofNullable(frozen),
                lastDay,
                createdAt,
                createdBy,
                Optional.ofNullable(revokedAt),
                opened,
                Optional.ofNullable(openedAt));
    }
}
