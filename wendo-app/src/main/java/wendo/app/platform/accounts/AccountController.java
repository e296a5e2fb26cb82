package wendo.app.platform.accounts;

import jakarta.servlet.http.HttpServletRequest;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.server.ResponseStatusException;
import org.springframework.web.servlet.ModelAndView;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;
import wendo.app.platform.site.InvalidForm;
import wendo.app.platform.site.Limits;
import wendo.app.platform.site.Texts;
import wendo.app.platform.site.ViewRecord;
import wendo.core.media.EmailAddress;

/** One's own account: name, e-mail, password, where one is signed in. */
@Needs(Permission.SEE)
@Controller
@RequestMapping("/account")
class AccountController {
    private static final String BACK = "redirect:/account";

    private final Accounts accounts;
    private final Credentials credentials;
    private final AccountTokens tokens;
    private final Passkeys passkeys;
    private final Sessions sessions;
    private final SignIns signIns;

    AccountController(
            Accounts accounts,
            Credentials credentials,
            AccountTokens tokens,
            Passkeys passkeys,
            Sessions sessions,
            SignIns signIns) {
        this.accounts = accounts;
        this.credentials = credentials;
        this.tokens = tokens;
        this.passkeys = passkeys;
        this.sessions = sessions;
        this.signIns = signIns;
    }

    /** A business that they work for, and as what. */
    record WorksFor(String name, String role) {}

    record AccountPage(
            String name,
            String email,
            String newEmail,
            Credentials.Had had,
            List<Passkeys.Shown> keys,
            List<Sessions.Shown> sessions,
            List<SignIn.Shown> history,
            List<WorksFor> businesses,
            boolean lacksSecondFactor,
            Map<String, String> faults) {}

    @GetMapping
    ModelAndView page(CurrentPerson person, HttpServletRequest request) {
        Accounts.Spoken spoken = accounts.spoken(person.id());
        return page(person, request, new Typed(spoken.name(), ""), Map.of());
    }

    private record Typed(String name, String newEmail) {}

    private ModelAndView page(
            CurrentPerson person, HttpServletRequest request, Typed typed, Map<String, String> faults) {
        Credentials.Had had = credentials.of(person.id());
        boolean isAsked = accounts.memberships(person.id()).stream().anyMatch(Membership::needsSecondFactor);
        return ViewRecord.of(
                "platform/accounts/account",
                new AccountPage(
                        typed.name(),
                        accounts.spoken(person.id()).email(),
                        typed.newEmail(),
                        had,
                        passkeys.of(person.id()),
                        sessions.of(person.id(), request),
                        signIns.of(person.id()),
                        accounts.memberships(person.id()).stream()
                                .map(one -> new WorksFor(
                                        one.businessName(), one.role().key()))
                                .toList(),
                        isAsked && !had.hasSecondFactor(),
                        faults));
    }

    /** Asks who it is, and goes back: for what a script of the page does next. */
    @Confirmed
    @PostMapping("/confirm")
    String confirm() {
        return BACK;
    }

    @PostMapping("/name")
    ModelAndView rename(@RequestParam String name, CurrentPerson person, HttpServletRequest request) {
        Map<String, String> faults = new HashMap<>();
        if (name.isBlank()) {
            faults.put("name", Texts.of("platform.accounts.name-missing"));
        }
        InvalidForm.tooLong(faults, "name", name, Limits.NAME);
        if (!faults.isEmpty()) {
            return InvalidForm.of(page(person, request, new Typed(name, ""), faults));
        }
        accounts.rename(person.id(), name.strip());
        return new ModelAndView(BACK);
    }

    /** It is theirs once they open what was mailed there. */
    @Confirmed
    @PostMapping("/email")
    ModelAndView email(
            @RequestParam String email, CurrentPerson person, HttpServletRequest request, RedirectAttributes notes) {
        String wanted = email.strip().toLowerCase(Locale.ROOT);
        if (EmailAddress.find(wanted).isEmpty()) {
            Map<String, String> faults = Map.of("email", Texts.of("platform.accounts.no-email"));
            return InvalidForm.of(
                    page(person, request, new Typed(accounts.spoken(person.id()).name(), email), faults));
        }
        tokens.mailEmail(person.id(), wanted);
        notes.addFlashAttribute("said", Texts.of("platform.accounts.email-asked", wanted));
        return new ModelAndView(BACK);
    }

    @Confirmed
    @PostMapping("/password")
    ModelAndView password(
            @RequestParam String password, CurrentPerson person, HttpServletRequest request, RedirectAttributes notes) {
        Accounts.Spoken spoken = accounts.spoken(person.id());
        return Accounts.passwordFault(password, spoken.name(), spoken.email(), "")
                .map(fault ->
                        InvalidForm.of(page(person, request, new Typed(spoken.name(), ""), Map.of("password", fault))))
                .orElseGet(() -> {
                    credentials.setPassword(person.id(), password);
                    sessions.endOthers(person.id(), request.getSession());
                    tokens.mail(
                            person.id(),
                            spoken.email(),
                            Texts.of("platform.accounts.mail.changed-subject"),
                            Texts.of("platform.accounts.mail.changed", spoken.name()));
                    notes.addFlashAttribute("said", Texts.of("platform.accounts.password-saved"));
                    return new ModelAndView(BACK);
                });
    }

    @Confirmed
    @PostMapping("/passkeys/{id}/remove")
    String removePasskey(@PathVariable UUID id, CurrentPerson person, RedirectAttributes notes) {
        Credentials.Had had = credentials.of(person.id());
        if (!had.password() && had.passkeys() == 1) {
            notes.addFlashAttribute("said", Texts.of("platform.accounts.last-passkey"));
        } else if (!passkeys.remove(person.id(), id)) {
            throw new ResponseStatusException(HttpStatus.NOT_FOUND);
        }
        return BACK;
    }

    @PostMapping("/sessions/{key}/end")
    String endSession(@PathVariable String key, CurrentPerson person) {
        if (!sessions.end(person.id(), key)) {
            throw new ResponseStatusException(HttpStatus.NOT_FOUND);
        }
        return BACK;
    }

    @PostMapping("/sessions/end")
    String endSessions(CurrentPerson person, HttpServletRequest request) {
        sessions.endOthers(person.id(), request.getSession());
        return BACK;
    }
}
