package wendo.app.issue.links;

import java.util.List;
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
import org.springframework.web.servlet.mvc.support.RedirectAttributes;
import wendo.app.platform.accounts.CurrentPerson;
import wendo.app.platform.accounts.Needs;
import wendo.app.platform.accounts.Permission;
import wendo.app.platform.business.Business;
import wendo.app.platform.site.InvalidForm;
import wendo.app.platform.site.Texts;
import wendo.app.platform.site.ViewRecord;
import wendo.app.prepare.brands.BrandListed;
import wendo.app.prepare.brands.Brands;
import wendo.core.links.AddressRefused;

/** The names that a business's links begin with. */
@Needs(Permission.SET_UP)
@Controller
@RequestMapping("/setup/hosts")
class HostController {
    private final LinkHosts hosts;
    private final LinkQueries links;
    private final LinkDomains domains;
    private final Brands brands;

    HostController(LinkHosts hosts, LinkQueries links, LinkDomains domains, Brands brands) {
        this.hosts = hosts;
        this.links = links;
        this.domains = domains;
        this.brands = brands;
    }

    record RefusedForward(String forwardFault, UUID forwardHost, String forwardLink) {}

    record HostsPage(
            List<LinkHosts.Detail> hosts, List<BrandListed> brands, String name, String fault, boolean maySetUp) {}

    @GetMapping
    ModelAndView list(CurrentPerson person) {
        return list(person, "", "");
    }

    @PostMapping
    ModelAndView add(@RequestParam String name, Business business, CurrentPerson person) {
        person.mustBeAllowedToSetUp();
        Optional<UUID> added;
        try {
            added = domains.add(name, business);
        } catch (AddressRefused e) {
            return InvalidForm.of(list(person, name, Texts.said(e)));
        }
        if (added.isEmpty()) {
            return InvalidForm.of(list(person, name, Texts.of("issue.links.this-name-is-a-link")));
        }
        return new ModelAndView("redirect:/setup/hosts");
    }

    @PostMapping("/{id}/check")
    String checkNow(@PathVariable UUID id, Business business, CurrentPerson person) {
        person.mustBeAllowedToSetUp();
        find(id);
        domains.check(id, business);
        return "redirect:/setup/hosts";
    }

    @PostMapping("/{id}/default")
    String makeDefault(@PathVariable UUID id, CurrentPerson person) {
        person.mustBeAllowedToSetUp();
        find(id);
        hosts.makeDefault(id);
        return "redirect:/setup/hosts";
    }

    @PostMapping("/{id}/retire")
    String retire(@PathVariable UUID id, @RequestParam boolean away, CurrentPerson person) {
        person.mustBeAllowedToSetUp();
        find(id);
        hosts.retire(id, away);
        return "redirect:/setup/hosts";
    }

    /** From a domain that is blocked, or that the business lets go. What is printed keeps answering there. */
    @PostMapping("/{id}/move")
    String move(
            @PathVariable UUID id,
            @RequestParam(defaultValue = "") String to,
            CurrentPerson person,
            RedirectAttributes notes) {
        person.mustBeAllowedToSetUp();
        LinkHosts.Detail from = find(id);
        Optional<LinkHosts.LinkHost> target = hosts.inUse().stream()
                .filter(host -> host.id().toString().equals(to) && !host.id().equals(id))
                .findFirst();
        if (target.isEmpty()) {
            notes.addFlashAttribute("said", Texts.of("issue.links.choose-another-domain-that-is"));
            return "redirect:/setup/hosts";
        }
        LinkHosts.Moved moved = hosts.move(id, target.get().id(), person.name());
        notes.addFlashAttribute(
                "said",
                Texts.of(
                                "issue.links.moved",
                                moved.moved(),
                                target.get().shown(),
                                from.host().shown())
                        + (moved.stayed() == 0 ? "" : Texts.of("issue.links.stayed", moved.stayed())));
        return "redirect:/setup/hosts";
    }

    @PostMapping("/{id}/brand")
    String giveTo(@PathVariable UUID id, @RequestParam(defaultValue = "") String brand, CurrentPerson person) {
        person.mustBeAllowedToSetUp();
        find(id);
        hosts.giveTo(
                id,
                brands.list().stream()
                        .map(BrandListed::id)
                        .filter(one -> one.toString().equals(brand))
                        .findFirst());
        return "redirect:/setup/hosts";
    }

    /** An empty link ends the forwarding. */
    @PostMapping("/{id}/forward")
    ModelAndView forward(@PathVariable UUID id, @RequestParam(defaultValue = "") String link, CurrentPerson person) {
        person.mustBeAllowedToSetUp();
        find(id);
        Optional<UUID> target = links.findPasted(link);
        if (!link.isBlank() && target.isEmpty()) {
            return InvalidForm.of(ViewRecord.with(
                    list(person, "", ""),
                    new RefusedForward(Texts.of("issue.links.you-have-no-link", shortened(link)), id, link)));
        }
        hosts.forward(id, target);
        return new ModelAndView("redirect:/setup/hosts");
    }

    private static String shortened(String text) {
        return text.length() <= 80 ? text : text.substring(0, 80) + "…";
    }

    private LinkHosts.Detail find(UUID id) {
        return hosts.find(id).orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
    }

    private ModelAndView list(CurrentPerson person, String name, String fault) {
        return ViewRecord.of(
                "issue/links/hosts",
                new HostsPage(
                        hosts.list(), brands.list(), name, fault, person.role().maySetUp()));
    }
}
