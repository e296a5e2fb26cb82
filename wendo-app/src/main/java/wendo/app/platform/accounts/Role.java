package wendo.app.platform.accounts;

import java.util.Locale;

/** What a person may do in a business. */
public enum Role {
    OWNER,
    MANAGER,
    STAFF,
    /** Sees figures and the ledger, without contact details. */
    VIEWER;

    public static Role of(String key) {
        return valueOf(key.toUpperCase(Locale.ROOT));
    }

    public String key() {
        return name().toLowerCase(Locale.ROOT);
    }

    /** Whether this role changes settings and gives out keys. */
    public boolean maySetUp() {
        return Permission.SET_UP.isOf(this);
    }
}
