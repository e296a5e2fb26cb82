package wendo.app.issue.links;

import java.net.URI;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.regex.Pattern;
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
import wendo.app.platform.business.UniqueKey;
import wendo.app.platform.site.InvalidForm;
import wendo.app.platform.site.Texts;
import wendo.app.platform.site.ViewRecord;
import wendo.app.prepare.destinations.DestinationLooks;
import wendo.core.links.AddressRefused;
import wendo.core.links.HostName;
import wendo.core.links.WebAddress;
import wendo.core.text.Sentence;

/** The names that a business's links begin with. */
@Needs(Permission.SET_UP)
@Controller
@RequestMapping("/setup/hosts")
class HostController {
    /** RFC 1123, section 2.1. */
    private static final Pattern NAME =
            Pattern.compile("(?:[a-z0-9](?:[a-z0-9-]*[a-z0-9])?\\.)*[a-z0-9](?:[a-z0-9-]*[a-z0-9])?");

    private final LinkHosts hosts;
    private final LinkQueries links;
    private final DestinationLooks looks;

    HostController(LinkHosts hosts, LinkQueries links, DestinationLooks looks) {
        this.hosts = hosts;
        this.links = links;
        this.looks = looks;
    }

    record RefusedForward(String forwardFault, UUID forwardHost, String forwardLink) {}

    record HostsPage(List<LinkHosts.Detail> hosts, String name, String fault, boolean maySetUp) {}

    @GetMapping
    ModelAndView list(CurrentPerson person) {
        return list(person, "", "");
    }

    @PostMapping
    ModelAndView add(@RequestParam String name, Business business, CurrentPerson person) {
        person.mustBeAllowedToSetUp();
        Optional<UUID> added;
        try {
            String origin = origin(name, business, hosts.defaultHost());
            added = UniqueKey.stored(() -> hosts.add(origin));
        } catch (AddressRefused e) {
            return InvalidForm.of(list(person, name, Texts.said(e)));
        }
        if (added.isEmpty()) {
            return InvalidForm.of(list(person, name, Texts.of("issue.links.this-name-is-a-link")));
        }
        check(added.get(), business);
        return new ModelAndView("redirect:/setup/hosts");
    }

    /** Only the name counts: a link host has its paths for itself. */
    private static String origin(String typed, Business business, LinkHosts.LinkHost standard) {
        WebAddress address = WebAddress.of(typed);
        if (!address.path().equals("/") || !address.query().isEmpty()) {
            throw new AddressRefused(Sentence.said(Texts.of("issue.links.enter-the-name-alone-like")));
        }
        if (!NAME.matcher(address.host()).matches()) {
            throw new AddressRefused(Sentence.said(Texts.of("issue.links.a-link-domain-has-letters")));
        }
        if (!business.allowsLocalDestinations() && HostName.isLocal(address.host())) {
            throw new AddressRefused(Sentence.said(Texts.of("issue.links.only-your-own-network-can", address.host())));
        }
        boolean isBareLocal = HostName.isLocal(address.host()) && typed.strip().equalsIgnoreCase(address.host());
        if (isBareLocal) { // on this machine it answers where the others do
            URI other = URI.create(standard.origin());
            return other.getScheme() + "://" + address.host() + (other.getPort() < 0 ? "" : ":" + other.getPort());
        }
        return address.scheme() + "://" + address.authority();
    }

    @PostMapping("/{id}/check")
    String checkNow(@PathVariable UUID id, Business business, CurrentPerson person) {
        person.mustBeAllowedToSetUp();
        check(id, business);
        return "redirect:/setup/hosts";
    }

    private void check(UUID id, Business business) {
        LinkHosts.Detail host = find(id);
        WebAddress proof = WebAddress.of(host.host().origin() + LinkDirectory.PROOF_PATH);
        Optional<String> answer = looks.text(proof, business);
        String problem = answer.map(text ->
                        text.strip().equals(id.toString()) ? "" : Texts.of("issue.links.another-site-answers-at-this"))
                .orElse(Texts.of("issue.links.nothing-answers-at-this-name"));
        hosts.checked(id, problem);
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
                new HostsPage(hosts.list(), name, fault, person.role().maySetUp()));
    }
}
