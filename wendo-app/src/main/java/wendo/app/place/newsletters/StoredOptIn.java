package wendo.app.place.newsletters;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.hibernate.annotations.OptimisticLock;
import org.jspecify.annotations.Nullable;
import wendo.app.platform.business.BusinessRow;

/** How a link subscribes, as it is kept. */
@Entity
@Table(name = "opt_in")
class StoredOptIn extends BusinessRow {
    @Id
    private UUID linkId;

    private boolean isOpen;
    private boolean asksFirst;
    private String promise;
    private String onwardAddress;
    private @Nullable UUID listId;
    private String[] labels = {};

    @OptimisticLock(excluded = true)
    private String unsubstituted = "";

    @OptimisticLock(excluded = true)
    private @Nullable Instant unsubstitutedAt;

    @SuppressWarnings("NullAway.Init")
    protected StoredOptIn() {}

    @SuppressWarnings("NullAway.Init")
    StoredOptIn(UUID link) {
        this.linkId = link;
    }

    void become(OptIns.OptIn optIn) {
        this.isOpen = optIn.isOpen();
        this.asksFirst = optIn.asksFirst();
        this.promise = optIn.promise();
        this.onwardAddress = optIn.onward();
        this.listId = optIn.list().orElse(null);
        this.labels = optIn.labels().toArray(String[]::new);
    }

    void noteUnsubstituted(String placeholder, Instant now) {
        this.unsubstituted = placeholder;
        this.unsubstitutedAt = now;
    }

    OptIns.OptIn optIn() {
        return new OptIns.OptIn(
                isOpen,
                asksFirst,
                promise,
                onwardAddress,
                Optional.ofNullable(listId),
                List.of(labels),
                unsubstituted,
                Optional.ofNullable(unsubstitutedAt));
    }
}
