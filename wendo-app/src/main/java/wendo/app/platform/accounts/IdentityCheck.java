package wendo.app.platform.accounts;

import io.github.bucket4j.Bucket;
import jakarta.servlet.http.HttpServletRequest;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.UUID;
import org.springframework.stereotype.Component;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.ControllerAdvice;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.servlet.ModelAndView;
import wendo.app.platform.site.InvalidForm;
import wendo.app.platform.site.SharedLimits;
import wendo.app.platform.site.Texts;
import wendo.app.platform.site.ViewRecord;

/** Asks people once more who they are before what could be used against them. What they typed goes along, and is not lost. */
@Component
class IdentityCheck {
    static final String PASSWORD = "confirmPassword";
    static final String CODE = "confirmCode";
    private static final int TRIES = 10;
    private static final Duration WINDOW = Duration.ofMinutes(5);

    private final Sessions sessions;
    private final Credentials credentials;
    private final SharedLimits limits;

    IdentityCheck(Sessions sessions, Credentials credentials, SharedLimits limits) {
        this.sessions = sessions;
        this.credentials = credentials;
        this.limits = limits;
    }

    /** Ends the request with a question if this person did not say lately who they are, nor does so now. */
    void require(UUID person, HttpServletRequest request) {
        if (sessions.isConfirmed(request.getSession())) {
            return;
        }
        String password = Objects.requireNonNullElse(request.getParameter(PASSWORD), "");
        String code = Objects.requireNonNullElse(request.getParameter(CODE), "");
        if (password.isEmpty() && code.isEmpty()) {
            throw new ConfirmFirst(person, "");
        }
        Bucket tries = limits.of("confirming as", person.toString(), TRIES, WINDOW);
        if (!tries.tryConsume(1)) {
            throw new ConfirmFirst(person, Texts.of("platform.accounts.too-many-attempts-wait-half"));
        }
        if (!credentials.isPassword(person, password) && !credentials.useCode(person, code)) {
            throw new ConfirmFirst(person, Texts.of("platform.accounts.confirm-wrong"));
        }
        tries.addTokens(1);
        sessions.confirm(request.getSession());
    }

    /** Somebody has to say who they are first. */
    static final class ConfirmFirst extends RuntimeException {
        private static final long serialVersionUID = 1L;
        private final UUID person;
        private final String fault;

        ConfirmFirst(UUID person, String fault) {
            super(null, null, false, false);
            this.person = person;
            this.fault = fault;
        }
    }

    /** A field of the form that waits. */
    record Field(String name, String value) {}

    record ConfirmPage(
            String action,
            List<Field> fields,
            boolean hasPassword,
            boolean hasCodes,
            boolean hasPasskeys,
            String fault) {}

    /** The question, as a page. */
    @ControllerAdvice(annotations = Controller.class)
    static class Asking {
        private static final Set<String> OWN = Set.of("_csrf", PASSWORD, CODE);
        private final Credentials credentials;

        Asking(Credentials credentials) {
            this.credentials = credentials;
        }

        @ExceptionHandler(ConfirmFirst.class)
        ModelAndView ask(ConfirmFirst asked, HttpServletRequest request) {
            Credentials.Had had = credentials.of(asked.person);
            return InvalidForm.of(ViewRecord.of(
                    "platform/accounts/confirm",
                    new ConfirmPage(
                            request.getRequestURI(),
                            fields(request),
                            had.password(),
                            had.codes(),
                            had.passkeys() > 0,
                            asked.fault)));
        }

        private static List<Field> fields(HttpServletRequest request) {
            List<Field> fields = new ArrayList<>();
            for (Map.Entry<String, String[]> sent : request.getParameterMap().entrySet()) {
                if (!OWN.contains(sent.getKey())) {
                    for (String value : sent.getValue()) {
                        fields.add(new Field(sent.getKey(), value));
                    }
                }
            }
            return List.copyOf(fields);
        }
    }
}
