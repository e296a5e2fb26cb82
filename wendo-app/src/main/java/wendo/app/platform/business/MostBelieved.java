package wendo.app.platform.business;

import java.util.OptionalLong;

/** Up to which value one report of a site counts at once, in minor units; empty until the business sets it. */
public record MostBelieved(OptionalLong minor) {
    public int version() {
        return EditedVersion.ofContent(this);
    }
}
