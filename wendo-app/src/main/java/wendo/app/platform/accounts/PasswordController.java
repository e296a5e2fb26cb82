package wendo.app.platform.accounts;

import io.github.bucket4j.Bucket;
import jakarta.servlet.http.HttpServletRequest;
import java.time.Duration;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.ModelAndView;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;
import wendo.app.platform.business.UniqueKey;
import wendo.app.platform.site.Installation;
import wendo.app.platform.site.InvalidForm;
import wendo.app.platform.site.SharedLimits;
import wendo.app.platform.site.Texts;
import wendo.app.platform.site.ViewRecord;

/**
 * What is done by an address that was mailed: a forgotten password is set anew, a new e-mail is confirmed. Opening one does
 * nothing yet, for mail scanners open everything. Nobody learns here who has an account.
 */
@Controller
class PasswordController {
    private static final int MAILS_OF_ACCOUNT = 3;
    private static final int MAILS_FROM_ADDRESS = 20;
    private static final Duration WINDOW = Duration.ofHours(1);

    private final AccountTokens tokens;
    private final Accounts accounts;
    private final Credentials credentials;
    private final Sessions sessions;
    private final SharedLimits limits;
    private final Installation installation;

    PasswordController(
            AccountTokens tokens,
            Accounts accounts,
            Credentials credentials,
            Sessions sessions,
            SharedLimits limits,
            Installation installation) {
        this.tokens = tokens;
        this.accounts = accounts;
        this.credentials = credentials;
        this.sessions = sessions;
        this.limits = limits;
        this.installation = installation;
    }

    record ForgottenPage(String email, boolean asked, boolean sendsMail) {}

    record NewPasswordPage(String token, boolean isGood, String fault) {}

    record NewEmailPage(String token, boolean isGood, String fault) {}

    @GetMapping("/sign-in/password")
    ModelAndView forgotten(@RequestParam(defaultValue = "") String email) {
        return forgotten(email, false);
    }

    private ModelAndView forgotten(String email, boolean asked) {
        return ViewRecord.of(
                "platform/accounts/forgotten",
                new ForgottenPage(email, asked, !installation.mail().host().isEmpty()));
    }

    /** The answer is the same whoever it is, and whether a mail goes out. */
    @PostMapping("/sign-in/password")
    ModelAndView mail(@RequestParam(defaultValue = "") String email, HttpServletRequest request) {
        Bucket ofAddress = limits.of("password mail from", request.getRemoteAddr(), MAILS_FROM_ADDRESS, WINDOW);
        Bucket ofAccount = limits.of("password mail to", email.strip(), MAILS_OF_ACCOUNT, WINDOW);
        if (ofAddress.tryConsume(1) && ofAccount.tryConsume(1)) {
            tokens.mailPassword(email);
        }
        return forgotten(email, true);
    }

    @GetMapping("/sign-in/password/{token}")
    ModelAndView password(@PathVariable String token) {
        boolean isGood = tokens.find(token, AccountToken.Purpose.PASSWORD).isPresent();
        return ViewRecord.of("platform/accounts/password", new NewPasswordPage(token, isGood, ""));
    }

    @PostMapping("/sign-in/password/{token}")
    ModelAndView setPassword(
            @PathVariable String token, @RequestParam(defaultValue = "") String password, RedirectAttributes notes) {
        Optional<UUID> person = tokens.find(token, AccountToken.Purpose.PASSWORD);
        if (person.isEmpty()) {
            return password(token);
        }
        Accounts.Spoken spoken = accounts.spoken(person.get());
        Optional<String> fault = Accounts.passwordFault(password, spoken.name(), spoken.email(), "");
        if (fault.isPresent()) {
            return InvalidForm.of(
                    ViewRecord.of("platform/accounts/password", new NewPasswordPage(token, true, fault.get())));
        }
        if (tokens.use(token, AccountToken.Purpose.PASSWORD).isEmpty()) {
            return password(token);
        }
        credentials.setPassword(person.get(), password);
        sessions.endAll(person.get());
        tokens.mail(
                person.get(),
                spoken.email(),
                Texts.of("platform.accounts.mail.changed-subject"),
                Texts.of("platform.accounts.mail.changed", spoken.name()));
        notes.addFlashAttribute("said", Texts.of("platform.accounts.password-saved-sign-in"));
        return new ModelAndView("redirect:/sign-in");
    }

    @GetMapping("/sign-in/email/{token}")
    ModelAndView email(@PathVariable String token) {
        boolean isGood = tokens.find(token, AccountToken.Purpose.EMAIL).isPresent();
        return ViewRecord.of("platform/accounts/email", new NewEmailPage(token, isGood, ""));
    }

    /** Told at the address from before, whose owner may not have wanted it. */
    @PostMapping("/sign-in/email/{token}")
    ModelAndView confirmEmail(@PathVariable String token, RedirectAttributes notes) {
        Optional<AccountToken> used = tokens.use(token, AccountToken.Purpose.EMAIL);
        if (used.isEmpty()) {
            return email(token);
        }
        UUID person = used.get().personId();
        String before = accounts.spoken(person).email();
        String wanted = used.get().email();
        if (UniqueKey.refuses(() -> accounts.changeEmail(person, wanted))) {
            String fault = Texts.of("platform.accounts.email-taken");
            return InvalidForm.of(ViewRecord.of("platform/accounts/email", new NewEmailPage(token, true, fault)));
        }
        sessions.endAll(person); // they bear the address from before
        tokens.mail(
                person,
                before,
                Texts.of("platform.accounts.mail.moved-subject"),
                Texts.of("platform.accounts.mail.moved", accounts.spoken(person).name(), wanted));
        notes.addFlashAttribute("said", Texts.of("platform.accounts.email-saved", wanted));
        return new ModelAndView("redirect:/sign-in");
    }
}
