package wendo.app.audience.audiences;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import java.time.Instant;
import java.util.Optional;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import wendo.app.platform.business.BusinessEntity;

/** A group of people by rules, which are kept as the fields that they were typed into. */
@Entity
@SuppressWarnings("UnusedVariable") // written for the database, not read in Java
class Audience extends BusinessEntity {
    private String name;
    private String rules;

    @Column(name = "is_live")
    private boolean isLive;

    private @Nullable Instant lookedAt;

    @Column(updatable = false)
    private Instant madeAt;

    @Column(updatable = false)
    private String madeBy;

    private @Nullable Instant archivedAt;

    @SuppressWarnings("NullAway.Init")
    protected Audience() {}

    Audience(String by, Instant now) {
        super(UUID.randomUUID());
        this.name = "";
        this.rules = "";
        this.madeAt = now;
        this.madeBy = by;
    }

    void become(String newName, String newRules, boolean live) {
        this.name = newName;
        this.rules = newRules;
        this.isLive = live;
    }

    void archive(Instant now) {
        this.archivedAt = now;
    }

    void restore() {
        this.archivedAt = null;
    }

    String name() {
        return name;
    }

    String rules() {
        return rules;
    }

    boolean isLive() {
        return isLive;
    }

    boolean isArchived() {
        return archivedAt != null;
    }

    Optional<Instant> lookedAt() {
        return Optional.ofNullable(lookedAt);
    }

    Instant madeAt() {
        return madeAt;
    }

    String madeBy() {
        return madeBy;
    }
}
