package wendo.app.accounts;

import wendo.app.business.BusinessId;

/** One business that a person works for. */
record Membership(BusinessId business, String businessName, Role role) {}
