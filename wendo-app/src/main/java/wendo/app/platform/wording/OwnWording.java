package wendo.app.platform.wording;

import jakarta.persistence.Entity;
import java.util.EnumMap;
import java.util.Map;
import java.util.UUID;
import wendo.app.platform.business.BusinessEntity;
import wendo.app.platform.site.PublicText;

/** The wording of a business; each has one at most. Texts and words stand in the same order. */
@Entity
class OwnWording extends BusinessEntity {
    private String[] texts = {};
    private String[] words = {};

    OwnWording() {
        super(UUID.randomUUID());
    }

    void say(Map<PublicText, String> said) {
        this.texts = said.keySet().stream().map(PublicText::key).toArray(String[]::new);
        this.words = said.values().toArray(String[]::new);
    }

    /** Without texts that there are no more. */
    Map<PublicText, String> said() {
        Map<PublicText, String> said = new EnumMap<>(PublicText.class);
        for (int i = 0; i < texts.length; i++) {
            String own = words[i];
            PublicText.find(texts[i]).ifPresent(text -> said.put(text, own));
        }
        return said;
    }
}
