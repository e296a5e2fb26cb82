package wendo.app.place.placements;

import java.time.Clock;
import java.util.List;
import java.util.Map;
import java.util.Optional;
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
import wendo.app.issue.links.LinkListed;
import wendo.app.issue.links.LinkSaving;
import wendo.app.outcome.networks.NetworkDirectory;
import wendo.app.platform.accounts.CurrentPerson;
import wendo.app.platform.accounts.Needs;
import wendo.app.platform.accounts.Permission;
import wendo.app.platform.business.Business;
import wendo.app.platform.site.InvalidForm;
import wendo.app.platform.site.TypedFields;
import wendo.app.platform.site.ViewRecord;

/** The ways to place a link, and where it was placed. */
@Controller
@RequestMapping("/links/{id}/place")
class PlacementController {
    private final LinkSaving links;
    private final Placements placements;
    private final NetworkDirectory networks;
    private final Clock clock;

    PlacementController(LinkSaving links, Placements placements, NetworkDirectory networks, Clock clock) {
        this.links = links;
        this.placements = placements;
        this.networks = networks;
        this.clock = clock;
    }

    record PlacementPage(
            LinkListed link,
            PlacementForm form,
            Map<String, String> faults,
            List<Placements.Listed> placements,
            Optional<Placements.Response> response) {}

    record AdPage(LinkListed link, String fill, Optional<NetworkDirectory.LinkSubId> subId, AdAddress ad) {}

    record CardPage(LinkListed link, Business business) {}

    @GetMapping
    ModelAndView page(@PathVariable UUID id, Business business) {
        return show(find(id), PlacementForm.empty(business.today(clock)), Map.of());
    }

    private ModelAndView show(LinkListed link, PlacementForm form, Map<String, String> faults) {
        return ViewRecord.of(
                "place/placements/page",
                new PlacementPage(link, form, faults, placements.list(link.id()), placements.response(link.id())));
    }

    @Needs(value = Permission.ISSUE, ofLink = true)
    @PostMapping
    ModelAndView add(@PathVariable UUID id, TypedFields typed, Business business, CurrentPerson person) {
        LinkListed link = find(id);
        PlacementForm form = new PlacementForm(
                typed.raw("place"),
                typed.raw("placedOn"),
                typed.raw("endsOn"),
                typed.raw("copies"),
                typed.raw("unitPrice"),
                typed.raw("note"));
        PlacementForm.Checked checked = form.check(business, business.today(clock));
        if (checked.placement().isEmpty()) {
            return InvalidForm.of(show(link, form, checked.faults()));
        }
        placements.add(link, checked.placement().get(), person.name());
        return new ModelAndView("redirect:/links/" + id + "/place");
    }

    @Needs(value = Permission.ISSUE, ofLink = true)
    @PostMapping("/{placement}/remove")
    String remove(@PathVariable UUID id, @PathVariable UUID placement) {
        if (!placements.remove(id, placement)) {
            throw new ResponseStatusException(HttpStatus.NOT_FOUND);
        }
        return "redirect:/links/" + id + "/place";
    }

    /** What an ad system asks for. */
    @GetMapping("/ad")
    ModelAndView ad(@PathVariable UUID id, @RequestParam(defaultValue = "") String fill, Business business) {
        LinkListed link = find(id);
        Optional<NetworkDirectory.LinkSubId> subId = networks.subIdOf(business.id(), link.taggedAddress(), link.slug());
        return ViewRecord.of(
                "place/placements/ad",
                new AdPage(
                        link,
                        fill.length() <= AdAddress.MAX_FILL ? fill : fill.substring(0, AdAddress.MAX_FILL),
                        subId,
                        AdAddress.of(link, subId, fill)));
    }

    /** A page to print and hand to a partner. */
    @GetMapping("/card")
    ModelAndView card(@PathVariable UUID id, Business business) {
        return ViewRecord.of("place/placements/card", new CardPage(find(id), business));
    }

    private LinkListed find(UUID id) {
        return links.find(id).orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
    }
}
