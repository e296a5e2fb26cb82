package wendo.app.platform.sending;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.util.Optional;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Reports in the shape of the examples of RFC 3464, appendix E, and RFC 5965, appendix B; their words are from memory. */
class ReturnedMailTest {
    static final UUID OURS = UUID.fromString("0190c2f4-5b2a-7cc3-98c4-dc0c0c07398f");

    static String bounce(UUID message, String action, String status) {
        return """
                From: Mail Delivery Subsystem <postmaster@mx.post.example>
                To: post@marrampoint.example
                Subject: Returned mail
                MIME-Version: 1.0
                Content-Type: multipart/report; report-type=delivery-status; boundary="B"

                --B
                Content-Type: text/plain

                The message could not be delivered.

                --B
                Content-Type: message/delivery-status

                Reporting-MTA: dns; mx.post.example

                Final-Recipient: RFC822; ada@post.example
                Action: %s
                Status: %s
                Diagnostic-Code: smtp; 550 5.1.1 No such user
                 here

                --B
                Content-Type: text/rfc822-headers

                From: post@marrampoint.example
                Message-ID: <%s@marrampoint.example>
                Subject: Hello

                --B--
                """.formatted(action, status, message).replace("\n", "\r\n");
    }

    static String complaint(UUID message) {
        return """
                From: <abusedesk@post.example>
                To: <post@marrampoint.example>
                Subject: FW: Hello
                MIME-Version: 1.0
                Content-Type: multipart/report; report-type=feedback-report; boundary="B"

                --B
                Content-Type: text/plain

                This is an email abuse report.

                --B
                Content-Type: message/feedback-report

                Feedback-Type: abuse
                User-Agent: SomeGenerator/1.0
                Version: 1

                --B
                Content-Type: message/rfc822

                From: post@marrampoint.example
                Message-ID: <%s@marrampoint.example>
                Subject: Hello

                Hello
                --B--
                """.formatted(message).replace("\n", "\r\n");
    }

    private static Optional<ReturnedMail> read(String mail) {
        return ReturnedMail.read(mail.getBytes(StandardCharsets.US_ASCII));
    }

    @ParameterizedTest
    @CsvSource({
        "failed, 5.1.1, true",
        "failed, 5.0.0, true",
        "FAILED, 4.4.7, false",
        "delayed, 4.4.1, false",
        "delivered, 2.0.0, false"
    })
    void an_address_is_lost_only_if_delivery_failed_for_good(String action, String status, boolean isForGood) {
        ReturnedMail returned = read(bounce(OURS, action, status)).orElseThrow();
        assertThat(returned).isEqualTo(new ReturnedMail(OURS, false, isForGood, "550 5.1.1 No such user here"));
    }

    @Test
    void a_complaint_is_known_by_its_type() {
        assertThat(read(complaint(OURS))).contains(new ReturnedMail(OURS, true, false, ""));
        assertThat(read(complaint(OURS).replace("Feedback-Type: abuse", "Feedback-Type: not-spam")))
                .isEmpty();
    }

    @Test
    void what_is_no_report_of_ours_is_nothing() {
        assertThat(read("")).isEmpty();
        assertThat(read("Subject: Out of office\r\n\r\nBack on Monday")).isEmpty();
        assertThat(read("Content-Type: multipart/report; boundary=x\r\n\r\n\0\1\2"))
                .isEmpty();
        assertThat(read(bounce(OURS, "failed", "5.1.1").replace("<" + OURS, "<somebody-elses")))
                .isEmpty();
    }
}
