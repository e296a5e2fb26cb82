package wendo.app.platform.sending;

import wendo.app.platform.consent.ConsentPurpose;

/**
 * A message of a mailing to one person.
 *
 * @param subject of an e-mail; empty text for a text message
 * @param needs what the recipient has to have agreed to, also right before it goes out
 */
public record Letter(MessageType road, String recipient, String subject, String body, ConsentPurpose needs) {}
