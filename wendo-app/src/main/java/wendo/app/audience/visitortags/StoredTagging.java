package wendo.app.audience.visitortags;

import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.UUID;
import wendo.app.platform.business.BusinessEntity;
import wendo.app.platform.site.RandomToken;

/** All that a business set of its visitor tags, written down for link hosts; each business has one at most. */
@Entity
@Table(name = "tagging")
@SuppressWarnings("UnusedVariable") // written for the database, not read in Java
class StoredTagging extends BusinessEntity {
    private boolean asks = true;
    private String key = RandomToken.next();
    private String setting = "";
    private Instant changedAt = Instant.EPOCH;

    StoredTagging() {
        super(UUID.randomUUID());
    }

    boolean asks() {
        return asks;
    }

    void ask(boolean itself) {
        this.asks = itself;
    }

    void say(String newSetting, Instant now) {
        this.setting = newSetting;
        this.changedAt = now;
    }
}
