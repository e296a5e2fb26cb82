package wendo.app.platform.accounts;

import java.util.UUID;

/** Says whose links are whose. */
public interface OwnLinks {
    /** Whether a link has this owner; one without an owner is of whoever issued it. */
    boolean isOwn(UUID link, CurrentPerson person);
}
