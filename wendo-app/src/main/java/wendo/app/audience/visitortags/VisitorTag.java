package wendo.app.audience.visitortags;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import java.time.Instant;
import java.util.Locale;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import wendo.app.platform.business.BusinessEntity;
import wendo.core.audience.TagPurpose;

/** An ad desk's measuring code, as it was entered. */
@Entity
@SuppressWarnings("UnusedVariable") // written for the database, not read in Java
class VisitorTag extends BusinessEntity {
    private String name = "";
    private String kind = "";
    private String address = "";
    private String identifier = "";
    private String key = "";
    private String purpose = "";
    private boolean isOn;

    @Column(updatable = false)
    private Instant madeAt;

    @Column(updatable = false)
    private String madeBy;

    private @Nullable Instant removedAt;

    @SuppressWarnings("NullAway.Init")
    protected VisitorTag() {}

    VisitorTag(VisitorTagForm form, String by, Instant now) {
        super(UUID.randomUUID());
        this.madeAt = now;
        this.madeBy = by;
        become(form);
    }

    /** An empty key leaves the one that there is: no page shows it again. */
    final void become(VisitorTagForm form) {
        this.name = form.name();
        this.kind = form.kind().key();
        this.address = form.address();
        this.identifier = form.identifier();
        this.purpose = form.purpose().key();
        this.isOn = form.isOn();
        if (form.kind() != TagKind.SERVER) {
            this.key = "";
        } else if (!form.key().isEmpty()) {
            this.key = form.key();
        }
    }

    void remove(Instant now) {
        this.removedAt = now;
        this.isOn = false;
        this.key = "";
    }

    boolean isOn() {
        return isOn;
    }

    boolean hasKey() {
        return !key.isEmpty();
    }

    String key() {
        return key;
    }

    private TagKind kind() {
        return TagKind.valueOf(kind.toUpperCase(Locale.ROOT));
    }

    VisitorTagForm form() {
        return new VisitorTagForm(name, kind(), address, identifier, "", purpose(), isOn);
    }

    private TagPurpose purpose() {
        return TagPurpose.find(purpose).orElseThrow();
    }

    DirectoryTag tag(UUID business) {
        return new DirectoryTag(id(), business, name, kind(), address, identifier, purpose());
    }
}
