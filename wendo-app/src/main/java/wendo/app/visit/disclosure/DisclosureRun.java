package wendo.app.visit.disclosure;

import jakarta.persistence.Entity;
import java.time.Instant;
import java.util.Optional;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import wendo.app.platform.business.BusinessEntity;

/** When the business's own pages were looked at, and whether they are right now; each business has one at most. */
@Entity
class DisclosureRun extends BusinessEntity {
    private boolean asked;
    private int pages;
    private int unreadable;
    private @Nullable Instant endedAt;

    DisclosureRun() {
        super(UUID.randomUUID());
    }

    void ask() {
        this.asked = true;
    }

    void giveUp() {
        this.asked = false;
    }

    void end(int read, int failed, Instant now) {
        this.asked = false;
        this.pages = read;
        this.unreadable = failed;
        this.endedAt = now;
    }

    public boolean isUnderWay() {
        return asked;
    }

    public int pages() {
        return pages;
    }

    public int unreadable() {
        return unreadable;
    }

    public Optional<Instant> endedAt() {
        return Optional.ofNullable(endedAt);
    }
}
