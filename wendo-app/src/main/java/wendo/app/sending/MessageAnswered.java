package wendo.app.sending;

import java.util.UUID;
import wendo.app.business.BusinessId;

/** Somebody answered a message, or wants no more of them. */
public record MessageAnswered(BusinessId business, UUID lead, boolean wantsNoMore) {}
