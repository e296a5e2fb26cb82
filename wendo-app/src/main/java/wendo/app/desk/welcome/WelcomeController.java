package wendo.app.desk.welcome;

import io.github.bucket4j.Bucket;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import jakarta.servlet.http.HttpSession;
import java.time.Duration;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.ModelAndView;
import wendo.app.platform.accounts.Accounts;
import wendo.app.platform.accounts.SignInWay;
import wendo.app.platform.accounts.SignIns;
import wendo.app.platform.site.InvalidForm;
import wendo.app.platform.site.Limits;
import wendo.app.platform.site.SharedLimits;
import wendo.app.platform.site.Texts;
import wendo.app.platform.site.TypedFields;
import wendo.app.platform.site.ViewRecord;
import wendo.core.media.EmailAddress;

/** The first two steps of the welcome, before anybody can sign in: the business and its owner. */
@Controller
class WelcomeController {
    private static final String CODE = "wendo.welcome";
    private static final int TRIES = 20;
    private static final Duration WINDOW = Duration.ofMinutes(15);

    private final InstallationClaims claims;
    private final WelcomeStart start;
    private final SignIns signIns;
    private final SharedLimits limits;

    WelcomeController(InstallationClaims claims, WelcomeStart start, SignIns signIns, SharedLimits limits) {
        this.claims = claims;
        this.start = start;
        this.signIns = signIns;
        this.limits = limits;
    }

    record CodePage(String fault) {}

    record BusinessPage(
            BusinessForm form,
            List<BusinessChoices.Choice> currencies,
            List<BusinessChoices.Choice> zones,
            List<BusinessChoices.Choice> locales,
            Map<String, String> faults) {}

    record OwnerPage(String business, String name, String email, Map<String, String> faults) {}

    /** What the console shows. */
    @GetMapping("/welcome")
    ModelAndView welcome(@RequestParam(defaultValue = "") String code) {
        ModelAndView onward = new ModelAndView("redirect:/sign-in/welcome");
        return code.isEmpty() ? onward : onward.addObject("code", code);
    }

    /** With the code, where one left off; without it, to where it is asked for. */
    @GetMapping("/sign-in/welcome")
    ModelAndView begin(@RequestParam(defaultValue = "") String code, HttpServletRequest request) {
        if (!claims.isOpen()) {
            return new ModelAndView("redirect:/sign-in");
        }
        if (code.isEmpty() && isKnown(request)) {
            return new ModelAndView("redirect:/sign-in/welcome/business");
        }
        if (code.isEmpty()) {
            return ViewRecord.of("desk/welcome/code", new CodePage(""));
        }
        Bucket tries = limits.of("welcome from", request.getRemoteAddr(), TRIES, WINDOW);
        if (!tries.tryConsume(1) || !claims.isCode(code.strip())) {
            return InvalidForm.of(
                    ViewRecord.of("desk/welcome/code", new CodePage(Texts.of("desk.welcome.code-wrong"))));
        }
        request.getSession().setAttribute(CODE, code.strip());
        return new ModelAndView("redirect:/sign-in/welcome/business");
    }

    private boolean isKnown(HttpServletRequest request) {
        HttpSession session = request.getSession(false);
        return session != null
                && session.getAttribute(CODE) instanceof String code
                && claims.isOpen()
                && claims.isCode(code);
    }

    @GetMapping("/sign-in/welcome/business")
    ModelAndView business(HttpServletRequest request) {
        if (!isKnown(request)) {
            return new ModelAndView("redirect:/sign-in/welcome");
        }
        BusinessForm said = claims.said();
        return business(said.name().isEmpty() ? BusinessForm.suggested(request.getLocale()) : said, Map.of());
    }

    private static ModelAndView business(BusinessForm form, Map<String, String> faults) {
        return ViewRecord.of(
                "desk/welcome/business",
                new BusinessPage(
                        form,
                        BusinessChoices.currencies(),
                        BusinessChoices.zones(),
                        BusinessChoices.locales(),
                        faults));
    }

    @PostMapping("/sign-in/welcome/business")
    ModelAndView saveBusiness(TypedFields typed, HttpServletRequest request) {
        if (!isKnown(request)) {
            return new ModelAndView("redirect:/sign-in/welcome");
        }
        BusinessForm form = BusinessForm.of(typed);
        Map<String, String> faults = form.faults();
        if (!faults.isEmpty()) {
            return InvalidForm.of(business(form, faults));
        }
        claims.say(form);
        return new ModelAndView("redirect:/sign-in/welcome/owner");
    }

    @GetMapping("/sign-in/welcome/owner")
    ModelAndView owner(HttpServletRequest request) {
        if (!isKnown(request)) {
            return new ModelAndView("redirect:/sign-in/welcome");
        }
        return claims.said().name().isEmpty()
                ? new ModelAndView("redirect:/sign-in/welcome/business")
                : owner("", "", Map.of());
    }

    private ModelAndView owner(String name, String email, Map<String, String> faults) {
        return ViewRecord.of("desk/welcome/owner", new OwnerPage(claims.said().name(), name, email, faults));
    }

    /** {@code by} is the button that was pressed: with a passkey, no password is needed. */
    @PostMapping("/sign-in/welcome/owner")
    ModelAndView claim(TypedFields typed, HttpServletRequest request, HttpServletResponse response) {
        if (!isKnown(request)) {
            return new ModelAndView("redirect:/sign-in/welcome");
        }
        String name = typed.text("name");
        String email = typed.text("email");
        boolean byPasskey = typed.is("by", "passkey");
        Map<String, String> faults = new HashMap<>();
        if (name.isEmpty()) {
            faults.put("name", Texts.of("platform.accounts.name-missing"));
        }
        InvalidForm.tooLong(faults, "name", name, Limits.NAME);
        if (EmailAddress.find(email).isEmpty()) {
            faults.put("email", Texts.of("platform.accounts.no-email"));
        }
        if (!byPasskey) {
            Accounts.passwordFault(
                            typed.raw("password"), name, email, claims.said().name())
                    .ifPresent(fault -> faults.put("password", fault));
        }
        if (!faults.isEmpty()) {
            return InvalidForm.of(owner(name, email, faults));
        }
        Optional<UUID> owner = claims.claim(accounts -> byPasskey
                ? accounts.register(email, name)
                : accounts.register(email, name, Objects.requireNonNull(typed.raw("password"))));
        if (owner.isEmpty()) {
            return new ModelAndView("redirect:/sign-in");
        }
        start.forget();
        request.getSession().removeAttribute(CODE);
        signIns.now(owner.get(), SignInWay.WELCOME, request, response);
        return new ModelAndView(byPasskey ? "redirect:/welcome/passkey" : "redirect:/welcome/domain");
    }
}
