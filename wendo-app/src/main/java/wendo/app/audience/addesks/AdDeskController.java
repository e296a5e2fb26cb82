package wendo.app.audience.addesks;

import java.net.URI;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.server.ResponseStatusException;
import org.springframework.web.servlet.ModelAndView;
import wendo.app.platform.accounts.CurrentPerson;
import wendo.app.platform.accounts.Needs;
import wendo.app.platform.accounts.Permission;
import wendo.app.platform.business.Business;
import wendo.app.platform.business.UniqueKey;
import wendo.app.platform.site.FormRules;
import wendo.app.platform.site.InvalidForm;
import wendo.app.platform.site.Texts;
import wendo.app.platform.site.TypedFields;
import wendo.app.platform.site.ViewRecord;
import wendo.app.prepare.destinations.Destinations;

/** The ad desks that lists can go to. */
@Needs(Permission.SET_UP)
@Controller
@RequestMapping("/setup/ad-desks")
class AdDeskController {
    private final Transfers transfers;

    AdDeskController(Transfers transfers) {
        this.transfers = transfers;
    }

    record DesksPage(List<Transfers.Desk> desks, Map<String, String> typed, Map<String, String> faults) {}

    @GetMapping
    ModelAndView page() {
        return show(Map.of(), Map.of());
    }

    private ModelAndView show(Map<String, String> typed, Map<String, String> faults) {
        return ViewRecord.of("audience/addesks/desks", new DesksPage(transfers.desks(), typed, faults));
    }

    @PostMapping
    ModelAndView add(TypedFields typed, CurrentPerson person, Business business) {
        AdDeskForm form = new AdDeskForm(typed.text("name"), typed.text("address"), typed.text("key"));
        Map<String, String> faults = new HashMap<>(FormRules.faults(form));
        if (!form.address().isEmpty()) {
            try {
                URI.create(
                        Destinations.check(form.address(), business, Set.of()).toString());
            } catch (IllegalArgumentException e) {
                faults.putIfAbsent("address", Texts.said(e));
            }
        }
        if (faults.isEmpty() && UniqueKey.refuses(() -> transfers.addDesk(form, person.name()))) {
            faults.put("name", Texts.of("audience.addesks.name-taken"));
        }
        return faults.isEmpty()
                ? new ModelAndView("redirect:/setup/ad-desks")
                : InvalidForm.of(show(typed.firstValues(), faults));
    }

    @PostMapping("/{id}/remove")
    String remove(@PathVariable UUID id) {
        if (!transfers.removeDesk(id)) {
            throw new ResponseStatusException(HttpStatus.CONFLICT, Texts.of("audience.addesks.still-used"));
        }
        return "redirect:/setup/ad-desks";
    }
}
