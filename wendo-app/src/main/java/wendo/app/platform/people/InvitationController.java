package wendo.app.platform.people;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.security.web.savedrequest.CookieRequestCache;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.servlet.ModelAndView;
import wendo.app.platform.accounts.Accounts;
import wendo.app.platform.accounts.SignInWay;
import wendo.app.platform.accounts.SignIns;
import wendo.app.platform.business.BusinessId;
import wendo.app.platform.business.UniqueKey;
import wendo.app.platform.site.InvalidForm;
import wendo.app.platform.site.Limits;
import wendo.app.platform.site.Texts;
import wendo.app.platform.site.TypedFields;
import wendo.app.platform.site.ViewRecord;

/** Where an invited person joins. Opening the address does nothing yet. */
@Controller
class InvitationController {
    private final Invitations invitations;
    private final Accounts accounts;
    private final SignIns signIns;

    InvitationController(Invitations invitations, Accounts accounts, SignIns signIns) {
        this.invitations = invitations;
        this.accounts = accounts;
        this.signIns = signIns;
    }

    /**
     * @param hasAccount whether the invited e-mail is somebody's who signs in already
     * @param isSignedIn whether it is that person who reads this
     * @param otherName who else is signed in; empty text for nobody
     */
    record InvitationPage(
            String token,
            Invitations.Opened opened,
            boolean hasAccount,
            boolean isSignedIn,
            String otherName,
            String name,
            Map<String, String> faults) {}

    @GetMapping("/sign-in/invitation/{token}")
    ModelAndView page(@PathVariable String token) {
        return page(token, "", Map.of());
    }

    private ModelAndView page(String token, String name, Map<String, String> faults) {
        Optional<Invitations.Opened> opened = invitations.find(token);
        if (opened.isEmpty()) {
            return new ModelAndView("platform/people/over");
        }
        Optional<UUID> invited = accounts.find(opened.get().invitation().email());
        Optional<UUID> reader = Accounts.signedIn();
        boolean isTheirs = reader.isPresent() && reader.equals(invited);
        return ViewRecord.of(
                "platform/people/invitation",
                new InvitationPage(
                        token,
                        opened.get(),
                        invited.isPresent(),
                        isTheirs,
                        isTheirs ? "" : reader.map(accounts::name).orElse(""),
                        name,
                        faults));
    }

    /** Somebody new joins with a name and a password, or a passkey that they add next; whoever has an account signs in first, and joins with it. */
    @PostMapping("/sign-in/invitation/{token}")
    ModelAndView accept(
            @PathVariable String token, TypedFields typed, HttpServletRequest request, HttpServletResponse response) {
        String name = typed.raw("name");
        String password = typed.raw("password");
        boolean byPasskey = typed.is("by", "passkey");
        Optional<Invitations.Opened> opened = invitations.find(token);
        if (opened.isEmpty()) {
            return new ModelAndView("platform/people/over");
        }
        String email = opened.get().invitation().email();
        Optional<UUID> known = accounts.find(email);
        if (known.isPresent()) {
            return join(token, known.get(), request, response);
        }
        Map<String, String> faults = nameFaults(name);
        if (!byPasskey) {
            Accounts.passwordFault(password, name, email, opened.get().businessName())
                    .ifPresent(fault -> faults.put("password", fault));
        }
        if (!faults.isEmpty()) {
            return InvalidForm.of(page(token, name, faults));
        }
        Optional<UUID> made = UniqueKey.stored(() ->
                byPasskey ? accounts.register(email, name.strip()) : accounts.register(email, name.strip(), password));
        if (made.isEmpty()) {
            return page(token); // pressed twice
        }
        invitations.accept(token, made.get());
        signIns.now(made.get(), SignInWay.INVITATION, request, response);
        return new ModelAndView(byPasskey ? "redirect:/account/first-passkey" : "redirect:/today");
    }

    /** For those who joined without a password. */
    @GetMapping("/account/first-passkey")
    String passkey() {
        return "platform/people/passkey";
    }

    private static Map<String, String> nameFaults(String name) {
        Map<String, String> faults = new HashMap<>();
        if (name.isBlank()) {
            faults.put("name", Texts.of("platform.accounts.name-missing"));
        }
        InvalidForm.tooLong(faults, "name", name, Limits.NAME);
        return faults;
    }

    private ModelAndView join(String token, UUID person, HttpServletRequest request, HttpServletResponse response) {
        if (!Accounts.signedIn().equals(Optional.of(person))) {
            new CookieRequestCache().saveRequest(new AsPage(request), response);
            return new ModelAndView("redirect:/sign-in");
        }
        Optional<BusinessId> business = invitations.accept(token, person);
        business.ifPresent(id -> accounts.choose(request.getSession(), id));
        return new ModelAndView(business.isPresent() ? "redirect:/today" : "redirect:/sign-in/invitation/" + token);
    }

    /** The page of a form, to come back to after signing in. */
    private static final class AsPage extends jakarta.servlet.http.HttpServletRequestWrapper {
        AsPage(HttpServletRequest request) {
            super(request);
        }

        @Override
        public String getMethod() {
            return "GET";
        }
    }
}
