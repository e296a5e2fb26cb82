package wendo.app.consent;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import java.time.Instant;
import java.util.UUID;
import org.springframework.data.domain.Persistable;
import wendo.app.business.BusinessId;

/** Words of consent as they stood at one place, in one version. A changed text is a new version. */
@Entity
@SuppressWarnings("UnusedVariable") // the database reads them
class ConsentWords implements Persistable<UUID> {
    @Id
    private UUID id;

    private UUID businessId;
    private String place;
    private UUID placeId;
    private int edition;
    private String words;
    private Instant since;

    @SuppressWarnings("NullAway.Init")
    protected ConsentWords() {}

    ConsentWords(BusinessId business, ConsentPlace place, UUID placeId, int edition, String words, Instant since) {
        this.id = UUID.randomUUID();
        this.businessId = business.value();
        this.place = place.key();
        this.placeId = placeId;
        this.edition = edition;
        this.words = words;
        this.since = since;
    }

    boolean says(String text) {
        return words.equals(text);
    }

    int edition() {
        return edition;
    }

    @Override
    public UUID getId() {
        return id;
    }

    /** Rows are only ever added. */
    @Override
    public boolean isNew() {
        return true;
    }
}
