package wendo.app.desk.welcome;

import java.net.URI;
import java.time.Clock;
import java.time.LocalDate;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.ModelAndView;
import wendo.app.issue.links.IssueFault;
import wendo.app.issue.links.LinkDomains;
import wendo.app.issue.links.LinkHosts;
import wendo.app.issue.links.Links;
import wendo.app.platform.accounts.Needs;
import wendo.app.platform.accounts.PageContext;
import wendo.app.platform.accounts.Permission;
import wendo.app.platform.business.Business;
import wendo.app.platform.site.Installation;
import wendo.app.platform.site.InvalidForm;
import wendo.app.platform.site.Texts;
import wendo.app.platform.site.TypedFields;
import wendo.app.platform.site.ViewRecord;
import wendo.app.prepare.destinations.DestinationListed;
import wendo.app.prepare.destinations.DestinationLooks;
import wendo.app.prepare.destinations.Destinations;
import wendo.app.prepare.sources.SourceListed;
import wendo.app.prepare.sources.Sources;
import wendo.core.links.AddressRefused;
import wendo.core.links.Channel;
import wendo.core.links.WebAddress;

/** The last three steps of the welcome, by the owner who is signed in: the link domain, the places, the first links. */
@Needs(Permission.SET_UP)
@Controller
@RequestMapping("/welcome")
class WelcomeStepsController {
    private final LinkHosts hosts;
    private final LinkDomains domains;
    private final Destinations destinations;
    private final DestinationLooks looks;
    private final Sources sources;
    private final Links links;
    private final Installation installation;
    private final Clock clock;

    WelcomeStepsController(
            LinkHosts hosts,
            LinkDomains domains,
            Destinations destinations,
            DestinationLooks looks,
            Sources sources,
            Links links,
            Installation installation,
            Clock clock) {
        this.hosts = hosts;
        this.domains = domains;
        this.destinations = destinations;
        this.looks = looks;
        this.sources = sources;
        this.links = links;
        this.installation = installation;
        this.clock = clock;
    }

    record DomainPage(List<LinkHosts.Detail> domains, String origin, String server, String name, String fault) {}

    record PlacesPage(
            String origin,
            String address,
            Trade trade,
            Trade[] trades,
            Set<String> chosen,
            String ownPlace,
            String ownChannel,
            Channel[] channels,
            Map<String, String> faults) {}

    record LinksPage(
            DestinationListed destination,
            String origin,
            List<SourceListed> sources,
            String campaign,
            Map<String, String> slugs,
            Map<String, String> faults) {}

    @GetMapping("/passkey")
    String passkey() {
        return "desk/welcome/passkey";
    }

    @GetMapping("/domain")
    ModelAndView domain() {
        return domain("", "");
    }

    private ModelAndView domain(String name, String fault) {
        return ViewRecord.of(
                "desk/welcome/domain",
                new DomainPage(
                        hosts.list(),
                        hosts.defaultHost().origin(),
                        URI.create(installation.origin()).getHost(),
                        name,
                        fault));
    }

    /** Looked at at once. It is used for new links whether it leads here yet or not. */
    @PostMapping("/domain")
    ModelAndView addDomain(@RequestParam(defaultValue = "") String name, Business business) {
        try {
            Optional<UUID> added = domains.add(name, business);
            added.ifPresent(domains::makeDefault);
            return added.isPresent()
                    ? new ModelAndView("redirect:/welcome/domain")
                    : InvalidForm.of(domain(name, Texts.of("issue.links.this-name-is-a-link")));
        } catch (AddressRefused e) {
            return InvalidForm.of(domain(name, Texts.said(e)));
        }
    }

    @PostMapping("/domain/check")
    String checkDomain(@RequestParam UUID domain, Business business) {
        domains.check(domain, business);
        return "redirect:/welcome/domain";
    }

    @GetMapping("/places")
    ModelAndView places(TypedFields asked) {
        Trade trade = Trade.of(asked.text("trade"));
        Set<String> usual = trade.places().stream().map(TypicalPlace::key).collect(Collectors.toSet());
        return places(asked, trade, usual, Map.of());
    }

    private ModelAndView places(TypedFields typed, Trade trade, Set<String> chosen, Map<String, String> faults) {
        return ViewRecord.of(
                "desk/welcome/places",
                new PlacesPage(
                        hosts.defaultHost().origin(),
                        typed.text("address"),
                        trade,
                        Trade.values(),
                        chosen,
                        typed.text("ownPlace"),
                        typed.text("ownChannel"),
                        Channel.values(),
                        faults));
    }

    @PostMapping("/places")
    ModelAndView savePlaces(TypedFields typed, Business business) {
        Trade trade = Trade.of(typed.text("trade"));
        Set<String> chosen = Set.copyOf(typed.all("place"));
        List<TypicalPlace> ticked = trade.places().stream()
                .filter(place -> chosen.contains(place.key()))
                .toList();
        String own = typed.text("ownPlace");
        Map<String, String> faults = new HashMap<>();
        if (!own.isEmpty()) {
            Sources.refusal(own).ifPresent(fault -> faults.put("ownPlace", fault));
        }
        if (ticked.isEmpty() && own.isEmpty()) {
            faults.put("place", Texts.of("desk.welcome.no-place"));
        }
        try {
            WebAddress page = Destinations.check(typed.text("address"), business, hosts.names());
            if (faults.isEmpty()) {
                destinations.findOrCreate(page);
                looks.look(page, business);
            }
        } catch (AddressRefused e) {
            faults.put("address", Texts.said(e));
        }
        if (!faults.isEmpty()) {
            return InvalidForm.of(places(typed, trade, chosen, faults));
        }
        ticked.forEach(place -> sources.findOrCreate(place.label(), place.channel()));
        if (!own.isEmpty()) {
            sources.findOrCreate(own, Channel.find(typed.text("ownChannel")).orElse(Channel.OTHER));
        }
        return new ModelAndView("redirect:/welcome/links");
    }

    @GetMapping("/links")
    ModelAndView links(Business business) {
        return links(monthOf(business), Map.of(), Map.of());
    }

    /** A campaign needs a name; the month is one that most people can keep. */
    private String monthOf(Business business) {
        LocalDate today = business.today(clock);
        return today.format(DateTimeFormatter.ofPattern("LLLL uuuu", business.locale()));
    }

    private ModelAndView links(String campaign, Map<String, String> slugs, Map<String, String> faults) {
        List<DestinationListed> pages = destinations.list();
        List<SourceListed> places = sources.list();
        return pages.isEmpty() || places.isEmpty()
                ? new ModelAndView("redirect:/welcome/places")
                : ViewRecord.of(
                        "desk/welcome/links",
                        new LinksPage(pages.get(0), hosts.defaultHost().origin(), places, campaign, slugs, faults));
    }

    @PostMapping("/links")
    ModelAndView issue(TypedFields typed, PageContext context) {
        List<DestinationListed> pages = destinations.list();
        Map<String, String> slugs = typed.behind("slug.");
        List<Links.Wish> wishes = new ArrayList<>();
        for (SourceListed source : sources.list()) {
            wishes.add(new Links.Wish(
                    source.name(),
                    source.channel(),
                    slugs.getOrDefault(source.id().toString(), "")));
        }
        if (pages.isEmpty() || wishes.isEmpty()) {
            return new ModelAndView("redirect:/welcome/places");
        }
        String campaign = typed.text("campaign");
        Links.Issued issued = links.issue(
                pages.get(0).address(), campaign, wishes, context.person().name());
        if (issued instanceof Links.Issued.Done done) {
            String ids = done.links().stream().map(link -> "link=" + link.id()).collect(Collectors.joining("&"));
            return new ModelAndView("redirect:/issue/done?" + ids);
        }
        List<IssueFault> faults = ((Links.Issued.Refused) issued).faults();
        Map<String, String> said = new HashMap<>();
        faults.forEach(
                fault -> said.putIfAbsent(fault.field().equals("campaign") ? "campaign" : "links", fault.message()));
        return InvalidForm.of(links(campaign, slugs, said));
    }
}
