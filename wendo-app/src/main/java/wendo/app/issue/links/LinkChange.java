package wendo.app.issue.links;

import java.time.Instant;
import java.util.Optional;
import java.util.UUID;
import wendo.core.links.WebAddress;

/** What can be done to many links at once. */
public sealed interface LinkChange {

    /** Out of the lists, or back into them. An archived link goes on leading where it led. */
    record Archive(boolean away) implements LinkChange {}

    record Label(String label, boolean isPut) implements LinkChange {}

    record GiveTo(Optional<UUID> owner) implements LinkChange {}

    /** Figures begin afresh at a moment; without one they are of all visits. */
    record CountFrom(Optional<Instant> moment) implements LinkChange {}

    record LeadTo(WebAddress address, String reason) implements LinkChange {}
}
