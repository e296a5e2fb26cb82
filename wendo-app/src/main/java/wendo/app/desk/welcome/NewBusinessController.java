package wendo.app.desk.welcome;

import jakarta.servlet.http.HttpSession;
import java.net.URI;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.servlet.ModelAndView;
import wendo.app.platform.accounts.Accounts;
import wendo.app.platform.accounts.Confirmed;
import wendo.app.platform.accounts.CurrentPerson;
import wendo.app.platform.accounts.Needs;
import wendo.app.platform.accounts.Permission;
import wendo.app.platform.business.Business;
import wendo.app.platform.business.BusinessId;
import wendo.app.platform.site.Installation;
import wendo.app.platform.site.InvalidForm;
import wendo.app.platform.site.Texts;
import wendo.app.platform.site.TypedFields;
import wendo.app.platform.site.ViewRecord;

/** One more business of somebody who owns one. */
@Needs(Permission.OWN)
@Controller
class NewBusinessController {
    private final InstallationClaims claims;
    private final Accounts accounts;
    private final Installation installation;

    NewBusinessController(InstallationClaims claims, Accounts accounts, Installation installation) {
        this.claims = claims;
        this.accounts = accounts;
        this.installation = installation;
    }

    record NewBusinessPage(
            BusinessForm form,
            String domain,
            String suggested,
            List<BusinessChoices.Choice> currencies,
            List<BusinessChoices.Choice> zones,
            List<BusinessChoices.Choice> locales,
            Map<String, String> faults) {}

    /** Begins with what the business they are in has. */
    @GetMapping("/businesses/new")
    ModelAndView page(Business business) {
        return page(BusinessForm.of(business).withName(""), "", Map.of());
    }

    private ModelAndView page(BusinessForm form, String domain, Map<String, String> faults) {
        return ViewRecord.of(
                "desk/welcome/new",
                new NewBusinessPage(
                        form,
                        domain,
                        "name." + URI.create(installation.linkOrigin()).getAuthority(),
                        BusinessChoices.currencies(),
                        BusinessChoices.zones(),
                        BusinessChoices.locales(),
                        faults));
    }

    @Confirmed
    @PostMapping("/businesses/new")
    ModelAndView open(TypedFields typed, CurrentPerson person, HttpSession session) {
        BusinessForm form = BusinessForm.of(typed);
        String domain = typed.text("domain");
        Map<String, String> faults = new HashMap<>(form.faults());
        Optional<String> origin = LinkOrigin.of(domain, installation);
        if (origin.isEmpty()) {
            faults.put("domain", Texts.of("desk.welcome.no-domain"));
        }
        Optional<BusinessId> opened =
                faults.isEmpty() ? claims.openFor(person.id(), form, origin.orElseThrow()) : Optional.empty();
        if (opened.isEmpty()) {
            faults.putIfAbsent("domain", Texts.of("issue.links.this-name-is-a-link"));
            return InvalidForm.of(page(form, domain, faults));
        }
        accounts.choose(session, opened.get());
        return new ModelAndView("redirect:/welcome/places");
    }
}
