package wendo.app.desk.setup;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.dao.OptimisticLockingFailureException;
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
import wendo.app.desk.welcome.BusinessChoices;
import wendo.app.desk.welcome.BusinessForm;
import wendo.app.issue.links.LinkHosts;
import wendo.app.platform.accounts.ApiKeys;
import wendo.app.platform.accounts.Confirmed;
import wendo.app.platform.accounts.CurrentPerson;
import wendo.app.platform.accounts.KeyScope;
import wendo.app.platform.accounts.Needs;
import wendo.app.platform.accounts.PageContext;
import wendo.app.platform.accounts.Permission;
import wendo.app.platform.business.Business;
import wendo.app.platform.business.Businesses;
import wendo.app.platform.business.EditedVersion;
import wendo.app.platform.site.EditConflict;
import wendo.app.platform.site.InvalidForm;
import wendo.app.platform.site.Limits;
import wendo.app.platform.site.Texts;
import wendo.app.platform.site.TypedFields;
import wendo.app.platform.site.ViewRecord;

/** The list of what can be set up, the business and its API keys. */
@Needs(Permission.SET_UP)
@Controller
@RequestMapping("/setup")
class SetupController {
    private static final int MAX_NAME = Limits.SHORT_NAME;

    private final Businesses businesses;
    private final ApiKeys keys;
    private final LinkHosts hosts;

    SetupController(Businesses businesses, ApiKeys keys, LinkHosts hosts) {
        this.businesses = businesses;
        this.keys = keys;
        this.hosts = hosts;
    }

    record BusinessPage(
            BusinessForm form,
            int version,
            LinkHosts.LinkHost host,
            boolean hasMoney,
            List<BusinessChoices.Choice> currencies,
            List<BusinessChoices.Choice> zones,
            List<BusinessChoices.Choice> locales,
            List<BusinessChoices.Choice> weekdays,
            List<BusinessChoices.Choice> months,
            Map<String, String> faults) {}

    record KeysPage(List<ApiKeys.Shown> keys, KeyScope[] scopes, boolean maySetUp) {}

    record RefusedKey(String keyName, String keyFault) {}

    @GetMapping
    String list() {
        return "desk/setup/page";
    }

    @GetMapping("/business")
    ModelAndView business(Business business) {
        return business(BusinessForm.of(business), Map.of());
    }

    private ModelAndView business(BusinessForm form, Map<String, String> faults) {
        return ViewRecord.of(
                "desk/setup/business",
                new BusinessPage(
                        form,
                        businesses.detailsVersion(),
                        hosts.defaultHost(),
                        businesses.hasMoney(),
                        BusinessChoices.currencies(),
                        BusinessChoices.zones(),
                        BusinessChoices.locales(),
                        BusinessChoices.weekdays(),
                        BusinessChoices.months(),
                        faults));
    }

    @Needs(Permission.OWN)
    @Confirmed
    @PostMapping("/business")
    ModelAndView change(TypedFields typed, Business business, RedirectAttributes notes) {
        BusinessForm form = BusinessForm.of(typed, business);
        Map<String, String> faults = form.faults();
        if (!faults.isEmpty()) {
            return InvalidForm.of(business(form, faults));
        }
        try {
            businesses.change(EditedVersion.of(typed.text("version")), form.details());
        } catch (OptimisticLockingFailureException e) {
            return EditConflict.of(
                    business(form, EditConflict.marks(form, BusinessForm.of(businesses.current()))), "/setup/business");
        }
        boolean isMoved = !business.zone().getId().equals(form.zone());
        notes.addFlashAttribute(
                "said",
                isMoved ? Texts.of("desk.setup.business-moved", form.zone()) : Texts.of("desk.setup.business-saved"));
        return new ModelAndView("redirect:/setup/business");
    }

    @GetMapping("/keys")
    ModelAndView keys(CurrentPerson person) {
        return ViewRecord.of(
                "desk/setup/keys",
                new KeysPage(keys.list(), KeyScope.values(), person.role().maySetUp()));
    }

    @Needs(Permission.OWN)
    @Confirmed
    @PostMapping("/keys")
    ModelAndView create(
            @RequestParam String name,
            @RequestParam(defaultValue = "all") String scope,
            PageContext context,
            RedirectAttributes next) {
        context.person().mustBeAllowedToSetUp();
        String wanted = name.strip();
        if (wanted.isEmpty() || wanted.length() > MAX_NAME) {
            String fault = Texts.of("desk.setup.name-the-key-after-the", MAX_NAME);
            return InvalidForm.of(ViewRecord.with(keys(context.person()), new RefusedKey(name, fault)));
        }
        next.addFlashAttribute(
                "newKey",
                keys.create(
                        wanted,
                        KeyScope.find(scope).orElse(KeyScope.READ),
                        Optional.of(context.person().id())));
        return new ModelAndView("redirect:/setup/keys");
    }

    @Needs(Permission.OWN)
    @Confirmed
    @PostMapping("/keys/{id}/revoke")
    String revoke(@PathVariable UUID id, CurrentPerson person) {
        person.mustBeAllowedToSetUp();
        if (!keys.revoke(id)) {
            throw new ResponseStatusException(HttpStatus.NOT_FOUND);
        }
        return "redirect:/setup/keys";
    }
}
