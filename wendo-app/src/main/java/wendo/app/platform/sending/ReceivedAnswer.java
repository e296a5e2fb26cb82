package wendo.app.platform.sending;

import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import wendo.app.platform.business.BusinessLogRow;

/** What somebody answered to a message. */
@Entity
@Table(name = "answer_received")
@SuppressWarnings("UnusedVariable") // written for the database, not read in Java
class ReceivedAnswer extends BusinessLogRow {
    private static final int MAX_TEXT = 2000;

    private UUID outgoingId;
    private @Nullable UUID leadId;
    private String text;
    private Instant receivedAt;

    @SuppressWarnings("NullAway.Init")
    protected ReceivedAnswer() {}

    ReceivedAnswer(OutgoingMessage to, String text, Instant receivedAt) {
        super(UUID.randomUUID());
        this.outgoingId = to.id();
        this.leadId = to.lead().orElse(null);
        this.text = text.substring(0, Math.min(text.length(), MAX_TEXT)).replace("\0", "");
        this.receivedAt = receivedAt;
    }
}
