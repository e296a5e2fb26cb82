package wendo.app.prepare.sources;

import wendo.app.platform.business.BusinessId;

/** How long touches may earn credit has changed, so who earns what may have, too. */
public record WindowsChanged(BusinessId business) {}
