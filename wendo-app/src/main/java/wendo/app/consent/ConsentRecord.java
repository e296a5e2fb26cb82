package wendo.app.consent;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.PostLoad;
import jakarta.persistence.PostPersist;
import jakarta.persistence.Table;
import jakarta.persistence.Transient;
import jakarta.persistence.Version;
import java.time.Instant;
import java.util.Optional;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.data.domain.Persistable;
import wendo.app.business.BusinessId;

/** One consent of one contact for one purpose. Its words never change; withdrawing it leaves it in place. */
@Entity
@Table(name = "consent_record")
@SuppressWarnings("UnusedVariable") // the database reads them
class ConsentRecord implements Persistable<UUID> {
    @Id
    private UUID id;

    @Version
    private int version;

    private UUID businessId;
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

    @Transient
    private boolean isStored;

    @SuppressWarnings("NullAway.Init")
    protected ConsentRecord() {}

    ConsentRecord(
            BusinessId business, UUID words, String contact, ConsentPurpose purpose, ConsentGiven given, Instant now) {
        this.id = UUID.randomUUID();
        this.businessId = business.value();
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

    @Override
    public UUID getId() {
        return id;
    }

    @Override
    public boolean isNew() {
        return !isStored;
    }

    @PostLoad
    @PostPersist
    void stored() {
        this.isStored = true;
    }
}
