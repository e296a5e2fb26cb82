package wendo.app.platform.appearance;

import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import java.util.UUID;
import wendo.app.platform.business.BusinessEntity;

/** The appearance of a business; each has one at most. */
@Entity
@Table(name = "appearance")
class StoredAppearance extends BusinessEntity {
    private String colour = "";
    private String address = "";
    private String imprint = "";
    private String privacy = "";
    private boolean signed = true;

    StoredAppearance() {
        super(UUID.randomUUID());
    }

    void become(Appearance appearance) {
        this.colour = appearance.colour().map(Colour::written).orElse("");
        this.address = appearance.address();
        this.imprint = appearance.imprint();
        this.privacy = appearance.privacy();
        this.signed = appearance.isSigned();
    }

    Appearance appearance() {
        return new Appearance(Colour.find(colour), address, imprint, privacy, signed);
    }
}
