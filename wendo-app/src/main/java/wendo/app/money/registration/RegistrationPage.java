package wendo.app.money.registration;

import jakarta.persistence.Entity;
import java.util.Optional;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import wendo.app.platform.business.BusinessEntity;

/** The public form where partners register themselves: its address while it is open, and what it says. */
@Entity
class RegistrationPage extends BusinessEntity {
    private @Nullable String token;
    private String words = "";

    @SuppressWarnings("NullAway.Init")
    protected RegistrationPage() {}

    static RegistrationPage fresh() {
        return new RegistrationPage(UUID.randomUUID());
    }

    private RegistrationPage(UUID id) {
        super(id);
    }

    /** @param address none closes it */
    void become(Optional<String> address, String intro) {
        this.token = address.orElse(null);
        this.words = intro;
    }

    Optional<String> token() {
        return Optional.ofNullable(token);
    }

    String words() {
        return words;
    }
}
