package wendo.app.issue.sharecards;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.UUID;
import org.hibernate.annotations.DynamicUpdate;
import org.hibernate.annotations.OptimisticLock;
import org.jspecify.annotations.Nullable;
import wendo.app.platform.business.BusinessRow;
import wendo.core.links.ShareCard;

/**
 * What a destination's page says of itself, as it was read last. Nobody edits it: of a look and a picture that arrive at
 * once each writes what it brought.
 */
@Entity
@DynamicUpdate
@Table(name = "page_card")
@SuppressWarnings("UnusedVariable") // written for the database, not read in Java
class StoredPageCard extends BusinessRow {
    @Id
    private UUID destinationId;

    @OptimisticLock(excluded = true)
    private String title = "";

    @OptimisticLock(excluded = true)
    private String text = "";

    @OptimisticLock(excluded = true)
    private String pictureAddress = "";

    @OptimisticLock(excluded = true)
    private byte @Nullable [] picture;

    @OptimisticLock(excluded = true)
    private String pictureKey = "";

    @OptimisticLock(excluded = true)
    private Instant changedAt = Instant.EPOCH;

    @SuppressWarnings("NullAway.Init")
    protected StoredPageCard() {}

    StoredPageCard(UUID destination) {
        this.destinationId = destination;
    }

    ShareCard card() {
        return new ShareCard(title, text);
    }

    String pictureKey() {
        return pictureKey;
    }

    /** The picture goes with its address. */
    void say(ShareCard card, String newPictureAddress, Instant now) {
        if (!card.equals(card()) || !newPictureAddress.equals(pictureAddress)) {
            this.title = card.title();
            this.text = card.text();
            this.changedAt = now;
        }
        if (!newPictureAddress.equals(pictureAddress)) {
            this.pictureAddress = newPictureAddress;
            this.picture = null;
            this.pictureKey = "";
        }
    }

    boolean needsPicture() {
        return !pictureAddress.isEmpty() && pictureKey.isEmpty();
    }

    /** A picture that was fetched from an address which is no longer the card's is left out. */
    void show(String from, SharePicture shown, Instant now) {
        if (from.equals(pictureAddress)) {
            this.picture = shown.jpeg().clone();
            this.pictureKey = shown.key();
            this.changedAt = now;
        }
    }
}
