package wendo.app.keep;

import java.util.HashMap;
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
import wendo.app.accounts.Accounts;
import wendo.app.accounts.CurrentPerson;
import wendo.app.business.Business;
import wendo.app.links.IssueFault;
import wendo.app.links.LinkChange;
import wendo.app.links.LinkChanges;
import wendo.app.links.LinkKeeping;
import wendo.app.links.LinkListed;
import wendo.app.links.LinkTerms;
import wendo.app.site.PeriodChoice;
import wendo.app.site.Refusal;
import wendo.app.site.Ribbons;

/** One link: what it is for, and what it brought. */
@Controller
@RequestMapping("/links/{id}")
class LinkPages {
    private final LinkKeeping links;
    private final LinkChanges changes;
    private final LinkFigures figures;
    private final Accounts accounts;
    private final Ribbons ribbons;

    LinkPages(LinkKeeping links, LinkChanges changes, LinkFigures figures, Accounts accounts, Ribbons ribbons) {
        this.links = links;
        this.changes = changes;
        this.figures = figures;
        this.accounts = accounts;
        this.ribbons = ribbons;
    }

    @GetMapping
    ModelAndView page(@PathVariable UUID id, PeriodChoice choice, Business business) {
        LinkListed link = find(id);
        return show(link, link.name(), links.terms(id), Map.of(), choice, business);
    }

    private ModelAndView show(
            LinkListed link,
            String name,
            LinkTerms terms,
            Map<String, String> faults,
            PeriodChoice choice,
            Business business) {
        UUID id = link.id();
        return new ModelAndView("keep/page")
                .addObject("link", link)
                .addObject("name", name)
                .addObject("terms", terms)
                .addObject("faults", faults)
                .addObject("issuer", terms.owner())
                .addObject("colleagues", accounts.colleagues())
                .addObject("labels", links.labelsInUse())
                .addObject("counts", figures.counts(id, choice.period(), business.zone()))
                .addObject("days", figures.days(id, choice.period(), business.zone()))
                .addObject("from", figures.from(id, choice.period(), business.zone()))
                .addObject("changes", changes.of(id))
                .addObject("choice", choice)
                .addObject("ribbon", ribbons.draw(choice));
    }

    @PostMapping
    ModelAndView describe(
            @PathVariable UUID id,
            @RequestParam String name,
            @RequestParam Map<String, String> typed,
            PeriodChoice choice,
            Business business) {
        LinkListed link = find(id);
        LinkTerms terms = LinkTerms.of(field -> typed.getOrDefault(field, ""));
        Map<String, String> faults = new HashMap<>();
        for (IssueFault fault : links.describe(id, name, terms)) {
            faults.put(fault.field(), fault.message());
        }
        return faults.isEmpty()
                ? new ModelAndView("redirect:/links/" + id)
                : Refusal.of(show(link, name, terms, faults, choice, business));
    }

    @PostMapping("/archive")
    String archive(@PathVariable UUID id, @RequestParam boolean away, CurrentPerson person) {
        find(id);
        Optional<LinkChanges.Made> unused = changes.make(
                List.of(id),
                new LinkChange.Archive(away),
                away ? "Archived" : "Taken out of the archive",
                person.name());
        return "redirect:/links/" + id;
    }

    private LinkListed find(UUID id) {
        return links.find(id).orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
    }
}
