package wendo.app.forms;

import jakarta.servlet.http.Cookie;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.time.Duration;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.dao.DataAccessException;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseCookie;
import org.springframework.stereotype.Controller;
import org.springframework.transaction.CannotCreateTransactionException;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.ModelAndView;
import org.springframework.web.servlet.view.RedirectView;
import wendo.app.business.BusinessId;
import wendo.app.business.BusinessScope;
import wendo.app.links.LinkDirectory;
import wendo.app.networks.NetworkDirectory;
import wendo.app.visits.VisitAliases;
import wendo.core.visits.ClickId;

/**
 * Entry forms as everybody sees them, on the link host, without script. Whatever fails, a visitor of a link gets to where
 * it leads.
 */
@Controller
class OpenForm {
    private static final Logger LOG = LoggerFactory.getLogger(OpenForm.class);
    private static final String LOOKS = "wlooks";
    private static final String DONE = "done";

    private final Forms forms;
    private final FormIntake intake;
    private final LinkDirectory directory;
    private final NetworkDirectory networks;
    private final VisitAliases aliases;
    private final BusinessScope scope;

    OpenForm(
            Forms forms,
            FormIntake intake,
            LinkDirectory directory,
            NetworkDirectory networks,
            VisitAliases aliases,
            BusinessScope scope) {
        this.forms = forms;
        this.intake = intake;
        this.directory = directory;
        this.networks = networks;
        this.aliases = aliases;
        this.scope = scope;
    }

    /** The link somebody came by, and where it leads them. */
    private record Came(
            LinkDirectory.Host host, LinkDirectory.Target target, String leadsTo, String alias, String click) {}

    @GetMapping(LinkDirectory.FORM_PATH)
    ModelAndView first(
            @RequestParam(defaultValue = "") String at,
            @RequestParam(defaultValue = "") String to,
            @RequestParam(name = ClickId.PARAMETER, defaultValue = "") String click,
            HttpServletRequest request,
            HttpServletResponse response) {
        noTraces(response);
        Optional<Came> came = came(request, at, to, click);
        if (came.isEmpty()) {
            return over();
        }
        try {
            return scope.within(came.get().target().business(), () -> {
                keepAlias(came.get());
                Forms.Shown shown = forms.of(came.get().target().link());
                if (goesOn(shown, came.get(), request, response)) {
                    return onward(came.get());
                }
                EntryForm form = forms.find(shown.form().orElseThrow()).orElseThrow();
                return page(new Filled(form, shown.strictness(), Map.of()), Map.of(), intake.once(), came, shown);
            });
        } catch (DataAccessException | CannotCreateTransactionException e) {
            LOG.warn("A form could not be shown; its visitor went on: {}", e.getMessage());
            return onward(came.get());
        }
    }

    /** Whether this visitor is led on without being asked: too few looks yet, or they have answered. */
    private boolean goesOn(Forms.Shown shown, Came came, HttpServletRequest request, HttpServletResponse response) {
        String looks = cookie(request);
        if (shown.shows().equals("never") || shown.shows().equals("first") && looks.equals(DONE)) {
            return true;
        }
        if (!shown.shows().equals("after")) {
            return false;
        }
        if (looks.equals(DONE)) {
            return true;
        }
        int seen = looks.matches("\\d{1,2}") ? Integer.parseInt(looks) : 0;
        if (seen >= shown.looks() || !came.host().keepsCookie()) {
            return false;
        }
        remember(response, String.valueOf(seen + 1), request);
        return true;
    }

    @PostMapping(LinkDirectory.FORM_PATH)
    ModelAndView sendFirst(
            @RequestParam(defaultValue = "") String at,
            @RequestParam(defaultValue = "") String to,
            @RequestParam(name = ClickId.PARAMETER, defaultValue = "") String click,
            @RequestParam Map<String, String> typed,
            HttpServletRequest request,
            HttpServletResponse response) {
        noTraces(response);
        Optional<Came> came = came(request, at, to, click);
        if (came.isEmpty()) {
            return over();
        }
        return scope.within(came.get().target().business(), () -> {
            keepAlias(came.get());
            Forms.Shown shown = forms.of(came.get().target().link());
            if (shown.form().isEmpty()) {
                return onward(came.get());
            }
            Filled filled = filled(shown.form().get(), shown.strictness(), typed);
            Map<String, String> faults = intake.take(shown.form().get(), filled, typed, click, request);
            if (!faults.isEmpty()) {
                return refused(page(filled, faults, intake.once(typed), came, shown));
            }
            if (came.get().host().keepsCookie()) {
                remember(response, DONE, request);
            }
            ModelAndView done = new ModelAndView("forms/open-done").addObject("form", filled.form());
            return intake.within(done)
                    .addObject(
                            "onward",
                            shown.shows().equals("own") ? "" : came.get().leadsTo());
        });
    }

    @GetMapping("/t/forms/{id}")
    ModelAndView alone(@PathVariable UUID id, HttpServletResponse response) {
        noTraces(response);
        Optional<BusinessId> business = forms.businessOf(id);
        return business.isEmpty()
                ? over()
                : scope.within(
                        business.get(),
                        () -> page(
                                new Filled(forms.find(id).orElseThrow(), Strictness.USUAL, Map.of()),
                                Map.of(),
                                intake.once(),
                                Optional.empty(),
                                Forms.Shown.never()));
    }

    @PostMapping("/t/forms/{id}")
    ModelAndView sendAlone(
            @PathVariable UUID id,
            @RequestParam Map<String, String> typed,
            HttpServletRequest request,
            HttpServletResponse response) {
        noTraces(response);
        Optional<BusinessId> business = forms.businessOf(id);
        if (business.isEmpty()) {
            return over();
        }
        return scope.within(business.get(), () -> {
            Filled filled = filled(id, Strictness.USUAL, typed);
            Map<String, String> faults = intake.take(id, filled, typed, "", request);
            return faults.isEmpty()
                    ? intake.within(new ModelAndView("forms/open-done").addObject("form", filled.form()))
                            .addObject("onward", "")
                    : refused(page(filled, faults, intake.once(typed), Optional.empty(), Forms.Shown.never()));
        });
    }

    private Filled filled(UUID form, Strictness strictness, Map<String, String> typed) {
        return new Filled(forms.find(form).orElseThrow(), strictness, typed);
    }

    private static ModelAndView refused(ModelAndView page) {
        page.setStatus(HttpStatus.UNPROCESSABLE_CONTENT);
        return page;
    }

    private ModelAndView page(
            Filled filled, Map<String, String> faults, String once, Optional<Came> came, Forms.Shown shown) {
        Map<FormField, Boolean> needed = new LinkedHashMap<>();
        filled.form().shown().forEach(field -> needed.put(field, filled.isNeeded(field)));
        return intake.within(new ModelAndView("forms/open"))
                .addObject("form", filled.form())
                .addObject("typed", filled.typed())
                .addObject("needed", needed)
                .addObject("faults", faults)
                .addObject("once", once)
                .addObject("maySkip", came.isPresent() && !shown.shows().equals("own"))
                .addObject("skipTo", came.map(Came::leadsTo).orElse(""));
    }

    /** Where a link leads comes from memory, never from the request. */
    private Optional<Came> came(HttpServletRequest request, String at, String to, String click) {
        return directory
                .findHost(request.getServerName())
                .flatMap(host -> directory.find(host, at).map(asked -> {
                    String address = asked.target().addressFor(uuid(to).orElse(LinkDirectory.NOWHERE));
                    NetworkDirectory.Led led = ClickId.find(click)
                            .map(id -> networks.lead(asked.target().business(), address, id))
                            .orElseGet(() -> new NetworkDirectory.Led(address, ""));
                    return new Came(host, asked.target(), led.address(), led.alias(), click);
                }));
    }

    /** What goes out to a network instead of the click identifier has to be known when it comes back. */
    private void keepAlias(Came came) {
        ClickId.find(came.click()).ifPresent(click -> aliases.keep(came.alias(), click));
    }

    private static Optional<UUID> uuid(String text) {
        try {
            return Optional.of(UUID.fromString(text));
        } catch (IllegalArgumentException e) {
            return Optional.empty();
        }
    }

    private static ModelAndView onward(Came came) {
        return new ModelAndView(new RedirectView(came.leadsTo(), false, true, false));
    }

    private static String cookie(HttpServletRequest request) {
        for (Cookie cookie : request.getCookies() == null ? new Cookie[0] : request.getCookies()) {
            if (cookie.getName().equals(LOOKS + "-" + linkKey(request))) {
                return cookie.getValue();
            }
        }
        return "";
    }

    /** Each link counts for itself. */
    private static String linkKey(HttpServletRequest request) {
        String at = request.getParameter("at");
        return Integer.toHexString((at == null ? "" : at.toLowerCase(java.util.Locale.ROOT)).hashCode());
    }

    private static void remember(HttpServletResponse response, String value, HttpServletRequest request) {
        response.addHeader(
                "Set-Cookie",
                ResponseCookie.from(LOOKS + "-" + linkKey(request), value)
                        .path(LinkDirectory.FORM_PATH)
                        .maxAge(Duration.ofDays(90))
                        .httpOnly(true)
                        .sameSite("Lax")
                        .secure(request.isSecure())
                        .build()
                        .toString());
    }

    private static void noTraces(HttpServletResponse response) {
        response.setHeader("Cache-Control", "no-store");
        response.setHeader("Referrer-Policy", "no-referrer");
        response.setHeader("X-Robots-Tag", "noindex");
    }

    private static ModelAndView over() {
        ModelAndView page = new ModelAndView("forms/open-over");
        page.setStatus(HttpStatus.NOT_FOUND);
        return page;
    }
}
