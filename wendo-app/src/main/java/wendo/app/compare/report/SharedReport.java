package wendo.app.compare.report;

import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.UUID;

/**
 * A report that was shared.
 *
 * @param look what it looks at, as an address says it, with the period
 * @param frozen what it shows, if it is not to change
 * @param lastDay the last day on which it can be opened
 */
record SharedReport(
        UUID id,
        String token,
        String title,
        List<ReportSection> sections,
        String look,
        Optional<String> frozen,
        LocalDate lastDay,
        Instant createdAt,
        String createdBy,
        Optional<Instant> revokedAt,
        long opened,
        Optional<Instant> openedAt) {

    boolean isOpen(LocalDate today) {
        return revokedAt.isEmpty() && !today.isAfter(lastDay);
    }
}
