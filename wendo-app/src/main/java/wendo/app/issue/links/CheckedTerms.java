package wendo.app.issue.links;

import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import wendo.core.links.WebAddress;

/** What is said of a link beyond what it is, after it was checked. */
public record CheckedTerms(
        String note,
        Optional<UUID> owner,
        List<String> labels,
        Optional<LocalDate> firstDay,
        Optional<LocalDate> lastDay,
        Optional<WebAddress> outside,
        boolean isPaid,
        String disclosure,
        Optional<UUID> brand) {
    public CheckedTerms {
        labels = List.copyOf(labels);
    }

    /** The same of this brand, where none was named. */
    CheckedTerms orOfBrand(Optional<UUID> other) {
        return new CheckedTerms(
                note, owner, labels, firstDay, lastDay, outside, isPaid, disclosure, brand.isPresent() ? brand : other);
    }
}
