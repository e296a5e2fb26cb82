package wendo.app.platform.accounts;

import wendo.app.platform.business.BusinessId;

/** A mail about somebody's account is to go out, in the name of this business. */
public record AccountMail(BusinessId business, String recipient, String subject, String body) {}
