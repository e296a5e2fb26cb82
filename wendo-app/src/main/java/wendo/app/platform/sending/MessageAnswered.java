package wendo.app.platform.sending;

import java.util.UUID;
import wendo.app.platform.business.BusinessId;

/** Somebody answered a message, or wants no more of them. */
public record MessageAnswered(BusinessId business, UUID lead, boolean wantsNoMore) {}
