package wendo.app.platform.sending;

import jakarta.mail.Message;
import jakarta.mail.MessagingException;
import jakarta.mail.SendFailedException;
import jakarta.mail.internet.InternetAddress;
import jakarta.mail.internet.MimeMessage;
import jakarta.mail.internet.MimeUtility;
import java.io.UnsupportedEncodingException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Locale;
import java.util.Properties;
import org.eclipse.angus.mail.smtp.SMTPAddressFailedException;
import org.eclipse.angus.mail.smtp.SMTPSendFailedException;
import org.eclipse.angus.mail.util.MailConnectException;
import org.jspecify.annotations.Nullable;
import org.springframework.core.io.ByteArrayResource;
import org.springframework.mail.MailAuthenticationException;
import org.springframework.mail.MailException;
import org.springframework.mail.MailSendException;
import org.springframework.mail.javamail.JavaMailSenderImpl;
import org.springframework.mail.javamail.MimeMessageHelper;
import org.springframework.stereotype.Component;
import wendo.app.platform.site.Installation;
import wendo.app.platform.site.Texts;

/** Sends e-mail by SMTP. Each message has its own Message-ID and a way out in its header (RFC 2369, RFC 8058). */
@Component
class Mail {
    private static final int NEVER = 500;

    private static final String PATIENCE_MILLIS = "20000";

    private final JavaMailSenderImpl smtp = new JavaMailSenderImpl();
    private final String host;
    private final String from;
    private final String origin;

    Mail(Installation installation) {
        Installation.Mail server = installation.mail();
        this.host = server.host();
        this.from = server.from();
        this.origin = installation.linkOrigin();
        smtp.setHost(host);
        smtp.setPort(server.port());
        Properties properties = smtp.getJavaMailProperties();
        for (String timeout : List.of("connectiontimeout", "timeout", "writetimeout")) {
            properties.setProperty("mail.smtp." + timeout, PATIENCE_MILLIS);
        }
        if (!server.user().isEmpty()) { // a password goes out encrypted or not at all
            smtp.setUsername(server.user());
            smtp.setPassword(server.password());
            properties.setProperty("mail.smtp.auth", "true");
            properties.setProperty("mail.smtp.starttls.required", "true");
        }
    }

    Sent send(Post post, boolean hasWayOut) {
        if (host.isEmpty()) {
            return new Sent.NotYet(Texts.of("platform.sending.no-mail-server-is-set"));
        }
        try {
            smtp.send(message(post, hasWayOut));
            return new Sent.Taken(Texts.of("platform.sending.the-mail-server-has-taken"));
        } catch (MailAuthenticationException e) {
            return new Sent.NotYet(Texts.of("platform.sending.the-mail-server-does-not"));
        } catch (MailException | MessagingException | UnsupportedEncodingException e) {
            return judge(e);
        }
    }

    private MimeMessage message(Post post, boolean hasWayOut) throws MessagingException, UnsupportedEncodingException {
        MimeMessage message = new MimeMessage(smtp.getSession()) {
            @Override
            protected void updateMessageID() throws MessagingException {
                setHeader("Message-ID", "<%s@%s>".formatted(post.id(), from.substring(from.indexOf('@') + 1)));
            }
        };
        MimeMessageHelper helper =
                new MimeMessageHelper(message, post.clip().isPresent(), StandardCharsets.UTF_8.name());
        helper.setFrom(new InternetAddress(from, post.from(), StandardCharsets.UTF_8.name()));
        message.setRecipient(Message.RecipientType.TO, new InternetAddress(post.recipient()));
        helper.setSubject(post.subject());
        String out = origin + "/t/stop/" + post.id();
        helper.setText(
                hasWayOut ? post.body() + "\n\n--\n" + Texts.of("platform.sending.mail-foot", out) : post.body());
        if (!hasWayOut) {
            message.setHeader("Auto-Submitted", "auto-generated"); // RFC 3834, 5: no absence notice answers it
        }
        if (hasWayOut) {
            message.setHeader("List-Id", listId(post.from()));
            message.setHeader("List-Unsubscribe", "<" + out + ">");
            message.setHeader("List-Unsubscribe-Post", "List-Unsubscribe=One-Click");
        }
        if (post.clip().isPresent()) {
            Clips.Clip clip = post.clip().get();
            helper.addAttachment(clip.name(), new ByteArrayResource(clip.content()), clip.type());
        }
        return message;
    }

    /** RFC 2919: the same for all news of a business, so that a reader can file it. */
    private String listId(String business) throws UnsupportedEncodingException {
        String label = business.toLowerCase(Locale.ROOT).replaceAll("[^a-z0-9]+", "-");
        return MimeUtility.encodeText(business, StandardCharsets.UTF_8.name(), null)
                + " <news.%s.%s>".formatted(label.replaceAll("^-|-$", ""), from.substring(from.indexOf('@') + 1));
    }

    /** A connection that was never made, and a server that answered no, have surely sent nothing. */
    private static Sent judge(Exception fault) {
        Exception cause = fault;
        if (fault instanceof MailSendException many && many.getMessageExceptions().length > 0) {
            cause = many.getMessageExceptions()[0];
        }
        if (cause instanceof MailConnectException || fault.getCause() instanceof MailConnectException) {
            return new Sent.NotYet(Texts.of("platform.sending.the-mail-server-cannot-be"));
        }
        int code = code(cause);
        if (code >= NEVER) {
            return new Sent.Refused(Texts.of("platform.sending.the-mail-server-refused-it", code));
        }
        return code > 0
                ? new Sent.NotYet(Texts.of("platform.sending.the-mail-server-asked-to", code))
                : new Sent.Unsure(Texts.of("platform.sending.the-connection-broke-while-it"));
    }

    private static int code(Exception fault) {
        for (Throwable cause = fault; cause != null; cause = next(cause)) {
            if (cause instanceof SMTPAddressFailedException address) {
                return address.getReturnCode();
            }
            if (cause instanceof SMTPSendFailedException send
                    && !(send.getNextException() instanceof SendFailedException)) {
                return send.getReturnCode();
            }
        }
        return 0;
    }

    private static @Nullable Throwable next(Throwable cause) {
        return cause instanceof MessagingException one && one.getNextException() != null
                ? one.getNextException()
                : cause.getCause();
    }
}
