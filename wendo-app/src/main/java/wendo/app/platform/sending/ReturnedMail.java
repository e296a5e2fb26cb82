package wendo.app.platform.sending;

import jakarta.mail.BodyPart;
import jakarta.mail.MessagingException;
import jakarta.mail.Session;
import jakarta.mail.internet.InternetHeaders;
import jakarta.mail.internet.MimeMessage;
import jakarta.mail.internet.MimeMultipart;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.util.Locale;
import java.util.Optional;
import java.util.Properties;
import java.util.UUID;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.eclipse.angus.mail.dsn.DeliveryStatus;
import org.jspecify.annotations.Nullable;

/**
 * A mail that a mail server sent back about one of ours: that it could not be delivered (RFC 3464), or that its reader
 * called it unwanted (RFC 5965). Which of ours it was, its Message-ID says.
 *
 * @param isComplaint otherwise it could not be delivered
 * @param isForGood the address does not exist or takes nothing (RFC 3463, class 5); false where it may work later
 * @param said the other server's own words; empty text for none
 */
record ReturnedMail(UUID message, boolean isComplaint, boolean isForGood, String said) {
    private static final Pattern OUR_ID = Pattern.compile("<([0-9a-f]{8}(?:-[0-9a-f]{4}){3}-[0-9a-f]{12})@[^<>]+>");
    private static final int MOST_SAID = 200;

    /** Empty for a mail that is neither, or about none of ours. */
    static Optional<ReturnedMail> read(byte[] mail) {
        try {
            MimeMessage message =
                    new MimeMessage(Session.getInstance(new Properties()), new ByteArrayInputStream(mail));
            return message.isMimeType("multipart/report") && message.getContent() instanceof MimeMultipart parts
                    ? read(parts)
                    : Optional.empty();
        } catch (MessagingException | IOException e) {
            return Optional.empty(); // whatever it was, it is no report
        }
    }

    private static Optional<ReturnedMail> read(MimeMultipart parts) throws MessagingException, IOException {
        @Nullable DeliveryStatus status = null;
        boolean isComplaint = false;
        Optional<UUID> about = Optional.empty();
        for (int i = 0; i < parts.getCount(); i++) {
            BodyPart part = parts.getBodyPart(i);
            if (part.isMimeType("message/delivery-status")) {
                status = new DeliveryStatus(part.getInputStream());
            } else if (part.isMimeType("message/feedback-report")) {
                isComplaint = "abuse".equalsIgnoreCase(first(part.getInputStream(), "Feedback-Type"));
            } else if (part.isMimeType("message/rfc822") || part.isMimeType("text/rfc822-headers")) {
                about = ours(first(part.getInputStream(), "Message-ID"));
            }
        }
        boolean isFailed = status != null && status.getRecipientDSNCount() > 0;
        InternetHeaders recipient = status != null && isFailed ? status.getRecipientDSN(0) : new InternetHeaders();
        boolean counts = isComplaint || isFailed;
        boolean complains = isComplaint;
        return counts
                ? about.map(id -> new ReturnedMail(id, complains, isForGood(recipient), said(recipient)))
                : Optional.empty();
    }

    private static String first(InputStream headers, String name) throws MessagingException {
        String value = new InternetHeaders(headers).getHeader(name, null);
        return value == null ? "" : value.strip();
    }

    private static Optional<UUID> ours(String messageId) {
        Matcher id = OUR_ID.matcher(messageId.toLowerCase(Locale.ROOT));
        return id.matches() ? Optional.of(UUID.fromString(id.group(1))) : Optional.empty();
    }

    private static boolean isForGood(InternetHeaders recipient) {
        String action = value(recipient, "Action");
        return action.equalsIgnoreCase("failed") && value(recipient, "Status").startsWith("5.");
    }

    private static String said(InternetHeaders recipient) {
        String said = value(recipient, "Diagnostic-Code")
                .replaceFirst("(?i)^smtp;\\s*", "")
                .replaceAll("\\s+", " ");
        return said.length() <= MOST_SAID ? said : said.substring(0, MOST_SAID);
    }

    private static String value(InternetHeaders headers, String name) {
        String value = headers.getHeader(name, null);
        return value == null ? "" : value.strip();
    }
}
