package wendo.app.money.spend;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import java.util.UUID;
import wendo.app.platform.business.BusinessRow;

/** Which source a name in files from ad accounts stands for. */
@Entity
class SpendName extends BusinessRow {
    @Id
    private String key;

    private UUID sourceId;

    @SuppressWarnings("NullAway.Init")
    protected SpendName() {}

    @SuppressWarnings("NullAway.Init")
    SpendName(String key) {
        this.key = key;
    }

    void standFor(UUID source) {
        this.sourceId = source;
    }

    String key() {
        return key;
    }

    UUID source() {
        return sourceId;
    }
}
