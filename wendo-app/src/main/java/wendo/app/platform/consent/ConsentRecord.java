package wendo.app.platform.consent;

import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.Optional;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import wendo.app.platform.business.BusinessEntity;

/** One consent of one contact for one purpose. Its words never change; withdrawing it leaves it in place. */
@Entity
@Table(name = "consent_record")
@SuppressWarnings("UnusedVariable") // written for the database, not read in Java
class ConsentRecord extends BusinessEntity {
    private UUID wordsId;
    private String contact;
    private String purpose;
    private @Nullable UUID linkId;
    private @Nullable UUID outcomeId;
    private String page;
    private Instant givenAt;
    private @Nullable Instant withdrawnAt;
    private @Nullable String withdrawnHow;
    private @Nullable String withdrawnBy;

    @SuppressWarnings("NullAway.Init")
    protected ConsentRecord() {}

    ConsentRecord(UUID words, String contact, ConsentPurpose purpose, ConsentGiven given, Instant now) {
        super(UUID.randomUUID());
        this.wordsId = words;
        this.contact = contact;
        this.purpose = purpose.key();
        this.linkId = given.link().orElse(null);
        this.outcomeId = given.outcome().orElse(null);
        this.page = given.page();
        this.givenAt = now;
    }

    void withdraw(Withdrawal how, String by, Instant now) {
        if (withdrawnAt == null) {
            this.withdrawnAt = now;
            this.withdrawnHow = how.key();
            this.withdrawnBy = by;
        }
    }

    String contact() {
        return contact;
    }

    Optional<ConsentPurpose> purpose() {
        return ConsentPurpose.find(purpose);
    }
}
