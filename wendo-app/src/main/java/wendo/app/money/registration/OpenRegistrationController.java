package wendo.app.money.registration;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.servlet.ModelAndView;
import wendo.app.platform.business.Business;
import wendo.app.platform.business.BusinessId;
import wendo.app.platform.business.BusinessScope;
import wendo.app.platform.business.Businesses;
import wendo.app.platform.business.UniqueKey;
import wendo.app.platform.site.CallLimit;
import wendo.app.platform.site.InvalidForm;
import wendo.app.platform.site.PublicLanguages;
import wendo.app.platform.site.SecretAddress;
import wendo.app.platform.site.Texts;
import wendo.app.platform.site.TypedFields;
import wendo.app.platform.site.ViewRecord;

/** Where somebody says that they would like to be a partner. Who asks twice is answered as the first time. */
@Controller
@RequestMapping("/t/partner-registration/{token}")
class OpenRegistrationController {
    private static final int CALLS_PER_MINUTE = 60;
    private static final int FORMS_PER_MINUTE = 5;

    private final Registrations registrations;
    private final Businesses businesses;
    private final CallLimit openings = new CallLimit(CALLS_PER_MINUTE);
    private final CallLimit forms = new CallLimit(FORMS_PER_MINUTE);

    OpenRegistrationController(Registrations registrations, Businesses businesses) {
        this.registrations = registrations;
        this.businesses = businesses;
    }

    record OpenPage(
            String business,
            String language,
            String token,
            String words,
            Map<String, String> typed,
            Map<String, String> faults,
            boolean isDone) {}

    @GetMapping
    ModelAndView form(@PathVariable String token, HttpServletRequest request, HttpServletResponse response)
            throws Exception {
        return within(token, openings, new Exchange(request, response), () -> {
            String language = speak();
            return page(token, language, new Typed(Map.of(), Map.of(), false));
        });
    }

    @PostMapping
    ModelAndView register(
            @PathVariable String token, TypedFields typed, HttpServletRequest request, HttpServletResponse response)
            throws Exception {
        return within(token, forms, new Exchange(request, response), () -> {
            String language = speak();
            Map<String, String> faults = new LinkedHashMap<>();
            Optional<RegistrationForm> form = RegistrationForm.check(typed, language, faults);
            boolean isTrap = !typed.text("company").isEmpty(); // nobody sees that field; programs fill it in
            if (form.isPresent()
                    && !isTrap
                    && !UniqueKey.stored(() -> registrations.register(form.get()))
                            .orElse(true)) {
                faults.put("name", Texts.of("money.registration.too-many"));
            }
            return faults.isEmpty()
                    ? page(token, language, new Typed(Map.of(), Map.of(), true))
                    : InvalidForm.of(page(token, language, new Typed(typed.firstValues(), faults, false)));
        });
    }

    private record Exchange(HttpServletRequest request, HttpServletResponse response) {}

    private record Typed(Map<String, String> values, Map<String, String> faults, boolean isDone) {}

    private ModelAndView within(String token, CallLimit limit, Exchange call, BusinessScope.Work<ModelAndView> work)
            throws Exception {
        SecretAddress.guard(call.response());
        if (!limit.allows(call.request().getRemoteAddr() + " " + token)) {
            return gone(HttpStatus.TOO_MANY_REQUESTS);
        }
        Optional<BusinessId> owner = registrations.businessOf(token);
        return owner.isEmpty() ? gone(HttpStatus.NOT_FOUND) : BusinessScope.as(owner.get(), work);
    }

    private String speak() {
        return PublicLanguages.speak(businesses.current().locale());
    }

    private ModelAndView page(String token, String language, Typed typed) {
        Business business = businesses.current();
        return ViewRecord.of(
                "money/registration/open",
                new OpenPage(
                        business.name(),
                        language,
                        token,
                        registrations.page().words(),
                        typed.values(),
                        typed.faults(),
                        typed.isDone()));
    }

    private static ModelAndView gone(HttpStatus status) {
        ModelAndView gone = new ModelAndView("money/registration/open-gone");
        gone.setStatus(status);
        return gone;
    }
}
