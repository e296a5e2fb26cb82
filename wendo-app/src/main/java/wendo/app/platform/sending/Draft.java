package wendo.app.platform.sending;

import java.time.Instant;
import java.util.Optional;
import java.util.UUID;
import wendo.app.platform.consent.ConsentPurpose;

/**
 * A message that is to go out.
 *
 * @param purpose plan, alert or share; with the lead and {@code place} it names the message, which goes out once
 */
public record Draft(
        UUID lead,
        String purpose,
        int place,
        MessageType road,
        String recipient,
        String subject,
        String body,
        Optional<UUID> clip,
        Instant dueAt,
        Optional<ConsentPurpose> needs) {
    private static final int MAX_SUBJECT = 200;
    private static final int MAX_BODY = 4000;

    public Draft {
        subject = subject(subject);
        body = body(body);
    }

    static String subject(String text) {
        return cut(text.replaceAll("[\\r\\n]+", " "), MAX_SUBJECT);
    }

    static String body(String text) {
        return cut(text, MAX_BODY);
    }

    private static String cut(String text, int most) {
        return text.length() <= most ? text : text.substring(0, most);
    }
}
