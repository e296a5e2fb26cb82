package wendo.app.prepare.destinations;

import jakarta.persistence.Entity;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.hibernate.annotations.OptimisticLock;
import org.jspecify.annotations.Nullable;
import wendo.app.platform.business.BusinessEntity;
import wendo.core.links.WebAddress;

@Entity
@SuppressWarnings("UnusedVariable") // written for the database, not read in Java
class Destination extends BusinessEntity {
    private String address;
    private Instant createdAt;
    private String name = "";
    private String note = "";
    private @Nullable Instant archivedAt;

    @OptimisticLock(excluded = true)
    private @Nullable Instant checkedAt;

    @OptimisticLock(excluded = true)
    private @Nullable Integer answerStatus;

    @OptimisticLock(excluded = true)
    private String title = "";

    @OptimisticLock(excluded = true)
    private String problem = "";

    @OptimisticLock(excluded = true)
    private @Nullable Instant failingSince;

    @OptimisticLock(excluded = true)
    private @Nullable Instant certificateUntil;

    @OptimisticLock(excluded = true)
    private String[] hops = {};

    @SuppressWarnings("NullAway.Init")
    protected Destination() {}

    Destination(WebAddress address, Instant createdAt) {
        super(UUID.randomUUID());
        this.address = address.toString();
        this.createdAt = createdAt;
    }

    DestinationListed listed() {
        return new DestinationListed(id(), name, address, note, Optional.ofNullable(archivedAt), health());
    }

    private Health health() {
        return new Health(
                Optional.ofNullable(checkedAt),
                Optional.ofNullable(failingSince),
                new Look(
                        Optional.ofNullable(answerStatus),
                        title,
                        List.of(hops),
                        Optional.ofNullable(certificateUntil),
                        PageCard.NONE,
                        problem));
    }

    void describe(String newName, String newNote) {
        this.name = newName;
        this.note = newNote;
    }

    void moveTo(WebAddress newAddress) {
        this.address = newAddress.toString();
        this.checkedAt = null;
        this.failingSince = null;
    }

    void archive(Instant now) {
        this.archivedAt = now;
    }

    void restore() {
        this.archivedAt = null;
    }

    void looked(Look look, Instant at) {
        this.checkedAt = at;
        this.answerStatus = look.status().orElse(null);
        this.title = look.title();
        this.problem = look.problem();
        this.certificateUntil = look.certificateUntil().orElse(null);
        this.hops = look.hops().toArray(String[]::new);
        if (look.problem().isEmpty()) {
            this.failingSince = null;
        } else if (failingSince == null) {
            this.failingSince = at;
        }
    }
}
