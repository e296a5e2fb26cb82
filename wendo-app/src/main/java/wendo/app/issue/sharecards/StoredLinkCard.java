package wendo.app.issue.sharecards;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.Optional;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import wendo.app.platform.business.BusinessRow;
import wendo.core.links.ShareCard;

/** What is said of one link in place of what its page says. It stays when nothing is said any more, so that hosts hear of it. */
@Entity
@Table(name = "link_card")
@SuppressWarnings("UnusedVariable") // written for the database, not read in Java
class StoredLinkCard extends BusinessRow {
    @Id
    private UUID linkId;

    private String title = "";
    private String text = "";
    private byte @Nullable [] picture;
    private String pictureKey = "";
    private Instant changedAt = Instant.EPOCH;

    @SuppressWarnings("NullAway.Init")
    protected StoredLinkCard() {}

    StoredLinkCard(UUID link) {
        this.linkId = link;
    }

    ShareCard card() {
        return new ShareCard(title, text);
    }

    String pictureKey() {
        return pictureKey;
    }

    void say(ShareCard card, Instant now) {
        this.title = card.title();
        this.text = card.text();
        this.changedAt = now;
    }

    void show(Optional<SharePicture> shown) {
        this.picture = shown.map(SharePicture::jpeg).orElse(null);
        this.pictureKey = shown.map(SharePicture::key).orElse("");
    }
}
