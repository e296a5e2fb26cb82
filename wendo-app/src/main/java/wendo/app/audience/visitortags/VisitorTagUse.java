package wendo.app.audience.visitortags;

import jakarta.persistence.Entity;
import java.util.Locale;
import java.util.UUID;
import wendo.app.platform.business.BusinessEntity;

/** Where a visitor tag is switched on or off. */
@Entity
class VisitorTagUse extends BusinessEntity {
    private UUID tagId;
    private String scope;
    private UUID about;
    private boolean isOn;

    @SuppressWarnings("NullAway.Init")
    protected VisitorTagUse() {}

    VisitorTagUse(UUID tag, TagScope scope, UUID about, boolean isOn) {
        super(UUID.randomUUID());
        this.tagId = tag;
        this.scope = scope.key();
        this.about = about;
        this.isOn = isOn;
    }

    TagSetting.Use use() {
        return new TagSetting.Use(tagId, TagScope.valueOf(scope.toUpperCase(Locale.ROOT)), about, isOn);
    }
}
