package wendo.app.place.messages;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import java.time.Instant;
import java.util.Optional;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import wendo.app.platform.business.BusinessRow;
import wendo.core.measure.UnitPrice;

/** What was written for a link. */
@Entity
@SuppressWarnings("UnusedVariable") // written for the database, not read in Java
class Message extends BusinessRow {
    @Id
    private UUID linkId;

    private String text;
    private @Nullable Long recipients;
    private @Nullable Long priceMillis;
    private Instant updatedAt;

    @SuppressWarnings("NullAway.Init")
    protected Message() {}

    @SuppressWarnings("NullAway.Init")
    Message(UUID link) {
        this.linkId = link;
    }

    void say(String newText, Optional<Long> newRecipients, Optional<UnitPrice> price, Instant now) {
        this.text = newText;
        this.recipients = newRecipients.orElse(null);
        this.priceMillis = price.map(UnitPrice::millis).orElse(null);
        this.updatedAt = now;
    }

    String text() {
        return text;
    }

    Optional<Long> recipients() {
        return Optional.ofNullable(recipients);
    }

    Optional<Long> priceMillis() {
        return Optional.ofNullable(priceMillis);
    }
}
