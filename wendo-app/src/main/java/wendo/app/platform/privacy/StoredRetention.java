package wendo.app.platform.privacy;

import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.Map;
import java.util.UUID;
import wendo.app.platform.business.BusinessEntity;

/** How long a business keeps personal data; each has one at most. Kinds and months stand in the same order. */
@Entity
@Table(name = "retention")
class StoredRetention extends BusinessEntity {
    private String[] kinds = {};
    private Integer[] months = {};

    StoredRetention() {
        super(UUID.randomUUID());
    }

    void keep(Map<RetainedKind, Integer> kept) {
        this.kinds = kept.keySet().stream().map(RetainedKind::key).toArray(String[]::new);
        this.months = kept.values().toArray(Integer[]::new);
    }

    /** Kinds that came later are kept as is usual. */
    Map<RetainedKind, Integer> kept() {
        Map<RetainedKind, Integer> kept = usual();
        for (int i = 0; i < kinds.length; i++) {
            int own = months[i];
            RetainedKind.find(kinds[i]).ifPresent(kind -> kept.put(kind, own));
        }
        return kept;
    }

    static Map<RetainedKind, Integer> usual() {
        Map<RetainedKind, Integer> usual = new EnumMap<>(RetainedKind.class);
        Arrays.stream(RetainedKind.values()).forEach(kind -> usual.put(kind, kind.usualMonths()));
        return usual;
    }
}
