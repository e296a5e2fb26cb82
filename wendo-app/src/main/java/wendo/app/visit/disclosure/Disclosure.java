package wendo.app.visit.disclosure;

import jakarta.persistence.Entity;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.UUID;
import wendo.app.platform.business.BusinessEntity;

/** Where and in which words a business says that links earn; each has one at most. Languages and texts stand in the same order. */
@Entity
class Disclosure extends BusinessEntity {
    private String place = DisclosurePlace.OFF.key();
    private String[] languages = {};
    private String[] texts = {};

    Disclosure() {
        super(UUID.randomUUID());
    }

    DisclosurePlace place() {
        return DisclosurePlace.find(place).orElse(DisclosurePlace.OFF);
    }

    Map<String, String> texts() {
        Map<String, String> byLanguage = new LinkedHashMap<>();
        for (int i = 0; i < languages.length; i++) {
            byLanguage.put(languages[i], texts[i]);
        }
        return byLanguage;
    }

    void say(DisclosurePlace where, Map<String, String> byLanguage) {
        this.place = where.key();
        this.languages = byLanguage.keySet().toArray(String[]::new);
        this.texts = byLanguage.values().toArray(String[]::new);
    }
}
