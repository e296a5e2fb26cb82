package wendo.app.place.signposts;

import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.Optional;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import wendo.app.platform.business.BusinessEntity;

/** An entry of a signpost: a link with a title, for some time. */
@Entity
@Table(name = "signpost_entry")
@SuppressWarnings("UnusedVariable") // written for the database, not read in Java
class StoredEntry extends BusinessEntity {
    private int place;
    private String title;
    private UUID linkId;
    private @Nullable Instant firstAt;
    private @Nullable Instant lastAt;

    @SuppressWarnings("NullAway.Init")
    protected StoredEntry() {}

    StoredEntry(String title, UUID link, Optional<Instant> first, Optional<Instant> last) {
        super(UUID.randomUUID());
        this.title = title;
        this.linkId = link;
        this.firstAt = first.orElse(null);
        this.lastAt = last.orElse(null);
    }

    int place() {
        return place;
    }

    void stand(int newPlace) {
        this.place = newPlace;
    }
}
