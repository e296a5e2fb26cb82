package wendo.app.platform.sending;

import java.util.UUID;
import wendo.app.platform.business.BusinessId;

/** A message of a lead's follow-up was not sent. */
public record MessageStopped(BusinessId business, UUID lead, String said) {}
