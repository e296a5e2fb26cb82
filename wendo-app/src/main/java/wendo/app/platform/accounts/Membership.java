package wendo.app.platform.accounts;

import wendo.app.platform.business.BusinessId;

/** One business that a person works for. */
record Membership(BusinessId business, String businessName, Role role, boolean needsSecondFactor) {}
