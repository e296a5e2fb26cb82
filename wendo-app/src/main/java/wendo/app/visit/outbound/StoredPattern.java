package wendo.app.visit.outbound;

import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import wendo.app.platform.business.BusinessEntity;
import wendo.core.visits.OutgoingPattern;

/** A pattern of outgoing links as it is kept; it is added and removed, and never changes. */
@Entity
@Table(name = "outbound_pattern")
@SuppressWarnings("UnusedVariable") // written for the database, not read in Java
class StoredPattern extends BusinessEntity {
    private String name;
    private String pattern;
    private String likes;
    private @Nullable Long worthMinor;
    private @Nullable UUID worthNetworkId;
    private Instant addedAt;
    private String addedBy;

    @SuppressWarnings("NullAway.Init")
    protected StoredPattern() {}

    StoredPattern(String name, OutgoingPattern pattern, OutboundPatterns.Worth worth, Instant now, String by) {
        super(UUID.randomUUID());
        this.name = name;
        this.pattern = pattern.text();
        this.likes = pattern.like();
        this.worthMinor = worth.setMinor().isPresent() ? worth.setMinor().getAsLong() : null;
        this.worthNetworkId = worth.network().orElse(null);
        this.addedAt = now;
        this.addedBy = by;
    }
}
