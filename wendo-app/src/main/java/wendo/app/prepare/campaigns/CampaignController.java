package wendo.app.prepare.campaigns;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.springframework.dao.OptimisticLockingFailureException;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.ModelAttribute;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.server.ResponseStatusException;
import org.springframework.web.servlet.ModelAndView;
import wendo.app.platform.accounts.CurrentPerson;
import wendo.app.platform.accounts.Needs;
import wendo.app.platform.accounts.PageContext;
import wendo.app.platform.accounts.Permission;
import wendo.app.platform.business.Business;
import wendo.app.platform.business.EditedVersion;
import wendo.app.platform.business.UniqueKey;
import wendo.app.platform.site.EditConflict;
import wendo.app.platform.site.InvalidForm;
import wendo.app.platform.site.Texts;
import wendo.app.platform.site.ViewRecord;

/** The list of campaigns, and one campaign. */
@Needs(Permission.SET_UP)
@Controller
@RequestMapping("/setup/campaigns")
class CampaignController {
    private final Campaigns campaigns;
    private final CampaignQueries queries;

    CampaignController(Campaigns campaigns, CampaignQueries queries) {
        this.campaigns = campaigns;
        this.queries = queries;
    }

    record CampaignListPage(
            CampaignForm form, Map<String, String> faults, List<CampaignQueries.Row> rows, boolean maySetUp) {}

    record CampaignPage(UUID id, int version, CampaignForm form, Map<String, String> faults, boolean maySetUp) {}

    @GetMapping
    ModelAndView list(CurrentPerson person) {
        return list(CampaignForm.empty(), Map.of(), person);
    }

    @PostMapping
    ModelAndView add(@ModelAttribute CampaignForm form, Business business, CurrentPerson person) {
        CampaignForm.Judged judged = form.check(business);
        Map<String, String> faults = new HashMap<>(judged.faults());
        if (faults.isEmpty() && UniqueKey.refuses(() -> campaigns.add(judged.checked()))) {
            faults.put("name", Texts.of("prepare.campaigns.there-is-a-campaign-with"));
        }
        return faults.isEmpty()
                ? new ModelAndView("redirect:/setup/campaigns")
                : InvalidForm.of(list(form, faults, person));
    }

    @GetMapping("/{id}")
    ModelAndView page(@PathVariable UUID id, Business business, CurrentPerson person) {
        CampaignForm.Checked said = campaigns.find(id).orElseThrow(CampaignController::unknown);
        return page(id, CampaignForm.of(said, business), Map.of(), person);
    }

    @PostMapping("/{id}")
    ModelAndView change(
            @PathVariable UUID id,
            @ModelAttribute CampaignForm form,
            @RequestParam(defaultValue = "") String version,
            PageContext context) {
        CurrentPerson person = context.person();
        Business business = context.business();
        person.mustBeAllowedToSetUp();
        mustExist(id);
        CampaignForm.Judged judged = form.check(business);
        if (!judged.faults().isEmpty()) {
            return InvalidForm.of(page(id, form, judged.faults(), person));
        }
        try {
            campaigns.describe(id, EditedVersion.of(version), judged.checked());
        } catch (OptimisticLockingFailureException e) {
            CampaignForm theirs =
                    CampaignForm.of(campaigns.find(id).orElseThrow(CampaignController::unknown), business);
            return EditConflict.of(page(id, form, EditConflict.marks(form, theirs), person), "/setup/campaigns/" + id);
        }
        return new ModelAndView("redirect:/setup/campaigns");
    }

    @PostMapping("/{id}/archive")
    String archive(@PathVariable UUID id, @RequestParam boolean away, CurrentPerson person) {
        person.mustBeAllowedToSetUp();
        mustExist(id);
        campaigns.archive(id, away);
        return "redirect:/setup/campaigns";
    }

    private ModelAndView list(CampaignForm form, Map<String, String> faults, CurrentPerson person) {
        return ViewRecord.of(
                "prepare/campaigns/list",
                new CampaignListPage(form, faults, queries.list(), person.role().maySetUp()));
    }

    private ModelAndView page(UUID id, CampaignForm form, Map<String, String> faults, CurrentPerson person) {
        return ViewRecord.of(
                "prepare/campaigns/page",
                new CampaignPage(
                        id, campaigns.version(id), form, faults, person.role().maySetUp()));
    }

    private void mustExist(UUID id) {
        if (campaigns.find(id).isEmpty()) {
            throw unknown();
        }
    }

    private static ResponseStatusException unknown() {
        return new ResponseStatusException(HttpStatus.NOT_FOUND);
    }
}
