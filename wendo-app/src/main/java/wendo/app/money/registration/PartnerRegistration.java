package wendo.app.money.registration;

import jakarta.persistence.Entity;
import java.time.Instant;
import java.util.Optional;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import wendo.app.platform.business.BusinessEntity;

/** Somebody who would like to be a partner. */
@Entity
@SuppressWarnings("UnusedVariable") // written for the database, not read in Java
class PartnerRegistration extends BusinessEntity {
    private String name;
    private String contact;
    private String email;
    private String website;
    private String said;
    private String language;
    private String state = Registrations.WAITING;
    private @Nullable UUID partnerId;
    private Instant madeAt;
    private @Nullable Instant decidedAt;
    private String decidedBy = "";

    @SuppressWarnings("NullAway.Init")
    protected PartnerRegistration() {}

    PartnerRegistration(RegistrationForm form, Instant now) {
        super(UUID.randomUUID());
        this.name = form.name();
        this.contact = form.contact();
        this.email = form.email();
        this.website = form.website();
        this.said = form.said();
        this.language = form.language();
        this.madeAt = now;
    }

    RegistrationForm form() {
        return new RegistrationForm(name, contact, email, website, said, language);
    }

    boolean isWaiting() {
        return state.equals(Registrations.WAITING);
    }

    Instant madeAt() {
        return madeAt;
    }

    /** The partner that was made of it, perhaps before it was told so. */
    Optional<UUID> partner() {
        return Optional.ofNullable(partnerId);
    }

    void becomes(UUID partner) {
        this.partnerId = partner;
    }

    void decide(String outcome, Instant now, String by) {
        this.state = outcome;
        this.decidedAt = now;
        this.decidedBy = by;
    }
}
