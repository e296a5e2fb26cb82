package wendo.app.money.exchange;

import jakarta.persistence.Entity;
import java.time.Instant;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import wendo.app.platform.business.BusinessEntity;

/** Something that a partner or somebody of the business wrote to the other. */
@Entity
@SuppressWarnings("UnusedVariable") // written for the database, not read in Java
class PartnerMessage extends BusinessEntity {
    private UUID partnerId;
    private boolean fromPartner;
    private String author;
    private String body;
    private Instant writtenAt;
    private @Nullable Instant readAt;

    @SuppressWarnings("NullAway.Init")
    protected PartnerMessage() {}

    PartnerMessage(UUID partner, Written written, Instant now) {
        super(UUID.randomUUID());
        this.partnerId = partner;
        this.fromPartner = written.isFromPartner();
        this.author = written.author();
        this.body = written.body();
        this.writtenAt = now;
    }

    Written written() {
        return new Written(fromPartner, author, body);
    }

    Instant at() {
        return writtenAt;
    }

    /** What somebody writes. A partner is no person with a name here. */
    record Written(boolean isFromPartner, String author, String body) {}
}
