package wendo.app.place.subscribers;

import jakarta.persistence.Entity;
import java.time.Instant;
import java.util.Arrays;
import java.util.Collection;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Stream;
import org.hibernate.annotations.DynamicUpdate;
import org.jspecify.annotations.Nullable;
import wendo.app.platform.business.BusinessEntity;
import wendo.app.platform.site.Limits;

/** Somebody who subscribed; one of a test belongs to its proof. */
@Entity
@DynamicUpdate // only what may change
@SuppressWarnings("UnusedVariable") // written for the database, not read in Java
class Subscriber extends BusinessEntity {
    private @Nullable UUID linkId;
    private String email;
    private Instant subscribedAt;
    private @Nullable UUID clickId;
    private @Nullable UUID proofId;
    private String[] labels = {};

    @SuppressWarnings("NullAway.Init")
    protected Subscriber() {}

    private Subscriber(Joiner joiner, Optional<UUID> proof, Instant now) {
        super(UUID.randomUUID());
        this.linkId = joiner.link().orElse(null);
        this.email = joiner.email();
        this.clickId = joiner.click().orElse(null);
        this.proofId = proof.orElse(null);
        this.subscribedAt = now;
    }

    static Subscriber by(Joiner joiner, Instant now) {
        return new Subscriber(joiner, Optional.empty(), now);
    }

    static Subscriber ofTest(Joiner joiner, UUID proof, Instant now) {
        return new Subscriber(joiner, Optional.of(proof), now);
    }

    /** Gets these labels too; those that there is no room for are left out. */
    void label(Collection<String> more) {
        labels = Stream.concat(Arrays.stream(labels), more.stream().sorted())
                .distinct()
                .limit(Limits.MOST_LABELS)
                .toArray(String[]::new);
    }

    void unlabel(String label) {
        labels = Arrays.stream(labels).filter(one -> !one.equals(label)).toArray(String[]::new);
    }

    String email() {
        return email;
    }
}
