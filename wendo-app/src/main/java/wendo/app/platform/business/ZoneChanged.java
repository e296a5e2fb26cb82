package wendo.app.platform.business;

import java.time.ZoneId;

/** A business counts its days in another time zone from now on. */
public record ZoneChanged(BusinessId business, ZoneId before, ZoneId after) {}
