package wendo.app.platform.consent;

import jakarta.persistence.Entity;
import java.time.Instant;
import java.util.UUID;
import wendo.app.platform.business.BusinessLogRow;

/** Words of consent as they stood at one place, in one version. A changed text is a new version. */
@Entity
@SuppressWarnings("UnusedVariable") // written for the database, not read in Java
class ConsentWords extends BusinessLogRow {
    private String place;
    private UUID placeId;
    private int edition;
    private String words;
    private Instant since;

    @SuppressWarnings("NullAway.Init")
    protected ConsentWords() {}

    ConsentWords(ConsentPlace place, UUID placeId, int edition, String words, Instant since) {
        super(UUID.randomUUID());
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
}
