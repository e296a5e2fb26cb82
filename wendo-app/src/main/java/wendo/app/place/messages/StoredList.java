package wendo.app.place.messages;

import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import wendo.app.platform.business.BusinessEntity;
import wendo.app.platform.tables.Brought;

/** A list of recipients as it is kept; its people stand beside it. */
@Entity
@Table(name = "recipient_list")
@SuppressWarnings("UnusedVariable") // written for the database, not read in Java
class StoredList extends BusinessEntity {
    private UUID linkId;
    private String name;
    private String[] columns = {};
    private int nameColumn;
    private int phoneColumn;
    private int emailColumn;
    private String text;
    private String consentSource = "";
    private @Nullable Instant madeAt;
    private Instant createdAt;
    private String createdBy;

    @SuppressWarnings("NullAway.Init")
    protected StoredList() {}

    @SuppressWarnings("NullAway.Init")
    StoredList(UUID link, Brought brought, Instant now, String by) {
        super(UUID.randomUUID());
        this.linkId = link;
        this.name = brought.name();
        this.columns = brought.table().columns().toArray(String[]::new);
        this.createdAt = now;
        this.createdBy = by;
    }

    void match(RecipientLists.Columns meant, String newText) {
        this.nameColumn = meant.name();
        this.phoneColumn = meant.phone();
        this.emailColumn = meant.email();
        this.text = newText;
    }

    boolean isMade() {
        return madeAt != null;
    }

    void make(String source, Instant now) {
        this.consentSource = source;
        this.madeAt = now;
    }
}
