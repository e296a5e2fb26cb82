package wendo.app.platform.accounts;

import io.github.bucket4j.Bucket;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.net.URI;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.Base64;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.security.web.savedrequest.CookieRequestCache;
import org.springframework.security.web.savedrequest.SavedRequest;
import org.springframework.stereotype.Controller;
import org.springframework.ui.ModelMap;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.ModelAndView;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;
import wendo.app.platform.site.InvalidForm;
import wendo.app.platform.site.SharedLimits;
import wendo.app.platform.site.Texts;
import wendo.app.platform.site.TypedFields;
import wendo.app.platform.site.ViewRecord;
import wendo.core.media.CodeSvg;
import wendo.core.media.Correction;
import wendo.core.media.QrCode;

/** The second factor: asked for after the password, set up and taken away in one's account. */
@Controller
class SecondFactorController {
    private static final int TRIES = 6;
    private static final Duration WINDOW = Duration.ofMinutes(15);
    private static final String SECRET = "wendo.newSecret";

    private final Credentials credentials;
    private final SignIns signIns;
    private final SharedLimits limits;

    SecondFactorController(Credentials credentials, SignIns signIns, SharedLimits limits) {
        this.credentials = credentials;
        this.signIns = signIns;
        this.limits = limits;
    }

    record CodePage(String fault, boolean recovery) {}

    record FactorPage(String secret, String picture, String fault) {}

    record RecoveryPage(List<String> codes) {}

    @GetMapping(AccountGate.CODE)
    ModelAndView code(
            @RequestParam(defaultValue = "false") boolean recovery,
            @Nullable @AuthenticationPrincipal SignedIn person,
            HttpServletRequest request) {
        return isHalfIn(person, request)
                ? ViewRecord.of("platform/accounts/code", new CodePage("", recovery))
                : new ModelAndView("redirect:/today");
    }

    private static boolean isHalfIn(@Nullable SignedIn person, HttpServletRequest request) {
        return person != null && person.needsCode() && !Sessions.isCodeGiven(request.getSession());
    }

    @PostMapping(AccountGate.CODE)
    ModelAndView give(
            TypedFields typed,
            @Nullable @AuthenticationPrincipal SignedIn person,
            HttpServletRequest request,
            HttpServletResponse response) {
        if (person == null || !isHalfIn(person, request)) {
            return new ModelAndView("redirect:/today");
        }
        String code = typed.raw("code");
        boolean recovery = typed.is("recovery", "true");
        Bucket tries = limits.of("code of", person.id().toString(), TRIES, WINDOW);
        if (!tries.tryConsume(1)) {
            return refuse(Texts.of("platform.accounts.too-many-attempts-wait-half"), recovery);
        }
        boolean isRight =
                recovery ? credentials.useRecoveryCode(person.id(), code) : credentials.useCode(person.id(), code);
        if (!isRight) {
            signIns.refuse(person.getUsername(), recovery ? SignInWay.RECOVERY : SignInWay.CODE, request);
            return refuse(Texts.of("platform.accounts.code-wrong"), recovery);
        }
        tries.addTokens(1);
        request.changeSessionId();
        signIns.complete(person, recovery ? SignInWay.RECOVERY : SignInWay.CODE, request, response);
        return new ModelAndView("redirect:" + wanted(request, response));
    }

    private static ModelAndView refuse(String fault, boolean recovery) {
        return InvalidForm.of(ViewRecord.of("platform/accounts/code", new CodePage(fault, recovery)));
    }

    /** Where they wanted to go before they were asked to sign in. */
    private static String wanted(HttpServletRequest request, HttpServletResponse response) {
        CookieRequestCache cache = new CookieRequestCache();
        Optional<SavedRequest> saved = Optional.ofNullable(cache.getRequest(request, response));
        cache.removeRequest(request, response);
        return saved.map(one -> URI.create(one.getRedirectUrl()))
                .map(to -> to.getRawPath() + (to.getRawQuery() == null ? "" : "?" + to.getRawQuery()))
                .filter(path -> path.matches("/[^/\\\\{].*"))
                .orElse("/today");
    }

    /** Begins with a new secret, which is asked for codes once their authenticator has shown that it knows it. */
    @Needs(Permission.SEE)
    @Confirmed
    @PostMapping("/account/factor")
    ModelAndView begin(CurrentPerson person, HttpServletRequest request) {
        request.getSession().setAttribute(SECRET, OneTimeCodes.secret());
        return new ModelAndView("redirect:/account/factor");
    }

    @Needs(Permission.SEE)
    @GetMapping("/account/factor")
    ModelAndView factor(HttpServletRequest request, @AuthenticationPrincipal SignedIn person) {
        return request.getSession().getAttribute(SECRET) instanceof String secret
                ? factor(secret, person, "")
                : new ModelAndView("redirect:/account");
    }

    private static ModelAndView factor(String secret, SignedIn person, String fault) {
        return ViewRecord.of(
                "platform/accounts/factor",
                new FactorPage(
                        secret.replaceAll("(.{4})", "$1 ").strip(),
                        picture(OneTimeCodes.uri(secret, person.getUsername())),
                        fault));
    }

    /** A QR code that stands in the page itself: the secret is in no address. */
    private static String picture(String uri) {
        String svg = CodeSvg.draw(QrCode.of(uri, Correction.M));
        return "data:image/svg+xml;base64," + Base64.getEncoder().encodeToString(svg.getBytes(StandardCharsets.UTF_8));
    }

    @Needs(Permission.SEE)
    @Confirmed
    @PostMapping("/account/factor/on")
    ModelAndView on(
            @RequestParam(defaultValue = "") String code,
            @AuthenticationPrincipal SignedIn person,
            HttpServletRequest request,
            RedirectAttributes notes) {
        if (!(request.getSession().getAttribute(SECRET) instanceof String secret)) {
            return new ModelAndView("redirect:/account");
        }
        Optional<List<String>> recovery = credentials.share(person.id(), secret, code);
        if (recovery.isEmpty()) {
            return InvalidForm.of(factor(secret, person, Texts.of("platform.accounts.code-wrong")));
        }
        request.getSession().removeAttribute(SECRET);
        notes.addFlashAttribute("codes", recovery.get());
        return new ModelAndView("redirect:/account/recovery");
    }

    @Needs(Permission.SEE)
    @Confirmed
    @PostMapping("/account/factor/off")
    String off(CurrentPerson person) {
        credentials.forgetSecret(person.id());
        return "redirect:/account";
    }

    @Needs(Permission.SEE)
    @Confirmed
    @PostMapping("/account/recovery")
    String renew(CurrentPerson person, RedirectAttributes notes) {
        notes.addFlashAttribute("codes", credentials.newRecoveryCodes(person.id()));
        return "redirect:/account/recovery";
    }

    /** Shown once. */
    @Needs(Permission.SEE)
    @GetMapping("/account/recovery")
    ModelAndView recovery(ModelMap flash) {
        return flash.containsKey("codes")
                ? new ModelAndView("platform/accounts/recovery")
                : new ModelAndView("redirect:/account");
    }
}
