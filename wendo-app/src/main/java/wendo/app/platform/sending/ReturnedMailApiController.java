package wendo.app.platform.sending;

import jakarta.servlet.http.HttpServletRequest;
import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.sql.Timestamp;
import java.time.Clock;
import java.util.List;
import java.util.UUID;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import wendo.app.platform.business.BusinessId;
import wendo.app.platform.business.BusinessScope;
import wendo.app.platform.consent.Withdrawal;
import wendo.app.platform.site.ApiErrors;
import wendo.app.platform.site.CallLimit;
import wendo.app.platform.site.Installation;
import wendo.app.platform.site.Texts;

/** Takes what mail servers send back: whoever receives mail for the sending address passes it on as it came. */
@Controller
class ReturnedMailApiController {
    private final OutgoingRepository repository;
    private final Outbox outbox;
    private final JdbcClient jdbc;
    private final BusinessScope scope;
    private final ApplicationEventPublisher events;
    private final Clock clock;
    private final String key;
    private final CallLimit limit = new CallLimit(600);

    ReturnedMailApiController(
            OutgoingRepository repository,
            Outbox outbox,
            JdbcClient jdbc,
            BusinessScope scope,
            ApplicationEventPublisher events,
            Clock clock,
            Installation installation) {
        this.repository = repository;
        this.outbox = outbox;
        this.jdbc = jdbc;
        this.scope = scope;
        this.events = events;
        this.clock = clock;
        this.key = installation.mail().returnedKey();
    }

    /** Answers 204 to whatever is no report of one of ours too, so that nobody sends it again. */
    @PostMapping(path = "/t/mail/returned", consumes = "message/rfc822")
    ResponseEntity<Void> returned(
            @RequestBody byte[] mail,
            @RequestHeader(name = "Authorization", defaultValue = "") String authorization,
            HttpServletRequest request) {
        limit.mustAllow("returned " + request.getRemoteAddr());
        byte[] wanted = ("Bearer " + key).getBytes(StandardCharsets.UTF_8);
        if (key.isEmpty() || !MessageDigest.isEqual(wanted, authorization.getBytes(StandardCharsets.UTF_8))) {
            throw new ApiErrors(
                    HttpStatus.UNAUTHORIZED, "Send the key for returned mail as a bearer token.", List.of());
        }
        ReturnedMail.read(mail)
                .ifPresent(returned -> jdbc.sql("select door_outgoing(?)")
                        .param(returned.message())
                        .query(UUID.class)
                        .optional()
                        .ifPresent(business -> scope.within(new BusinessId(business), () -> heed(returned))));
        return ResponseEntity.noContent().build();
    }

    private boolean heed(ReturnedMail returned) {
        OutgoingMessage about = repository.lock(returned.message());
        if (about.recipient().isEmpty()) { // erased since it went out
            return false;
        }
        if (returned.isComplaint()) {
            outbox.optOut(about.recipient(), Withdrawal.COMPLAINT);
            return true;
        }
        if (returned.isForGood()) {
            about.comeBack(Texts.kept("platform.sending.it-came-back", returned.said()));
            jdbc.sql("insert into unreachable values (?, ?, ?, ?) on conflict do nothing")
                    .params(BusinessScope.current().value(), about.recipient())
                    .params(Timestamp.from(clock.instant()), returned.said())
                    .update();
            events.publishEvent(new ContactUnreachable(about.recipient()));
        }
        return returned.isForGood();
    }
}
