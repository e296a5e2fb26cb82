package wendo.app.routes;

import java.time.Clock;
import java.time.DayOfWeek;
import java.time.LocalDateTime;
import java.time.format.DateTimeParseException;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.util.MultiValueMap;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.server.ResponseStatusException;
import org.springframework.web.servlet.ModelAndView;
import wendo.app.accounts.CurrentPerson;
import wendo.app.accounts.Needs;
import wendo.app.accounts.Permission;
import wendo.app.business.Business;
import wendo.app.destinations.DestinationLooks;
import wendo.app.links.LinkKeeping;
import wendo.app.links.LinkListed;
import wendo.app.links.LinkRoutes;
import wendo.app.site.Refusal;
import wendo.core.links.AddressRefused;
import wendo.core.links.Conditions;
import wendo.core.links.Device;
import wendo.core.links.Routing;
import wendo.core.links.RoutingPreview;
import wendo.core.links.WebAddress;

/** Where one link leads: now, before, and for whom. */
@Controller
@RequestMapping("/links/{id}/leads")
class RoutePages {
    private final LinkKeeping links;
    private final LinkRoutes routes;
    private final RouteQueries queries;
    private final DestinationLooks looks;
    private final Clock clock;

    RoutePages(LinkKeeping links, LinkRoutes routes, RouteQueries queries, DestinationLooks looks, Clock clock) {
        this.links = links;
        this.routes = routes;
        this.queries = queries;
        this.looks = looks;
        this.clock = clock;
    }

    /** Also at the addresses that refused forms leave behind. */
    @GetMapping({"", "/rules", "/split"})
    ModelAndView page(@PathVariable UUID id, @RequestParam(defaultValue = "") String at, Business business) {
        return show(find(id), at, RuleForm.empty(), Map.of(), business);
    }

    private ModelAndView show(
            LinkListed link, String at, RuleForm rule, Map<String, String> faults, Business business) {
        Routing routing = routes.of(link.id());
        LocalDateTime now =
                LocalDateTime.ofInstant(clock.instant(), business.zone()).truncatedTo(ChronoUnit.MINUTES);
        LocalDateTime moment = moment(at).orElse(now);
        return new ModelAndView("routes/page")
                .addObject("link", link)
                .addObject("routing", routing)
                .addObject("history", queries.history(link.id()))
                .addObject("say", new RuleWords(business.locale()))
                .addObject("rule", rule)
                .addObject("faults", faults)
                .addObject("at", moment)
                .addObject("pages", queries.pages(link.id()))
                .addObject("ways", ways(RoutingPreview.of(routing, moment)))
                .addObject("weekdays", DayOfWeek.values())
                .addObject("devices", Device.values());
    }

    /** Who goes where, put together by where; those whom no rule takes come last. */
    private static Map<Integer, List<RoutingPreview.Group>> ways(List<RoutingPreview.Group> groups) {
        Map<Integer, List<RoutingPreview.Group>> ways = new TreeMap<>();
        groups.forEach(group -> ways.computeIfAbsent(group.rule().orElse(Routing.MAX_RULES), rule -> new ArrayList<>())
                .add(group));
        return ways;
    }

    private static Optional<LocalDateTime> moment(String at) {
        try {
            return at.isEmpty() ? Optional.empty() : Optional.of(LocalDateTime.parse(at));
        } catch (DateTimeParseException e) {
            return Optional.empty();
        }
    }

    @Needs(value = Permission.ISSUE, ofLink = true)
    @PostMapping
    ModelAndView lead(
            @PathVariable UUID id,
            @RequestParam String address,
            @RequestParam(defaultValue = "") String reason,
            Business business,
            CurrentPerson person) {
        LinkListed link = find(id);
        Map<String, String> faults = new HashMap<>();
        Refusal.tooLong(faults, "reason", reason, LinkKeeping.MAX_REASON);
        Optional<WebAddress> page = check("newAddress", address, business, faults);
        if (page.isEmpty() || !faults.isEmpty()) {
            return Refusal.of(show(link, "", RuleForm.empty(), faults, business))
                    .addObject("newAddress", address)
                    .addObject("reason", reason);
        }
        links.leadTo(id, page.get(), reason.strip(), person.name());
        looks.look(page.get(), business);
        return back(id);
    }

    private Optional<WebAddress> check(String field, String address, Business business, Map<String, String> faults) {
        try {
            return Optional.of(links.check(address, business));
        } catch (AddressRefused e) {
            faults.put(field, String.valueOf(e.getMessage()));
            return Optional.empty();
        }
    }

    @Needs(value = Permission.ISSUE, ofLink = true)
    @PostMapping("/rules")
    ModelAndView add(@PathVariable UUID id, @RequestParam MultiValueMap<String, String> typed, Business business) {
        LinkListed link = find(id);
        RuleForm form = RuleForm.of(typed);
        Map<String, String> faults = new HashMap<>();
        Optional<Conditions> when = form.read(business.locale(), faults);
        Optional<WebAddress> page = check("address", form.address(), business, faults);
        Routing routing = routes.of(id);
        if (routing.rules().size() == Routing.MAX_RULES) {
            faults.put("rule", "A link may have %d rules.".formatted(Routing.MAX_RULES));
        }
        if (when.isEmpty() || page.isEmpty() || !faults.isEmpty()) {
            return Refusal.of(show(link, "", form, faults, business));
        }
        List<Routing.Rule> rules = new ArrayList<>(routing.rules());
        rules.add(new Routing.Rule(when.get(), routes.way(id, page.get())));
        routes.keep(id, new Routing(rules, routing.split()));
        looks.look(page.get(), business);
        return back(id);
    }

    /** {@code version} is how many rules the page showed: two people who change them do not undo each other. */
    @Needs(value = Permission.ISSUE, ofLink = true)
    @PostMapping("/rules/{place}")
    ModelAndView change(
            @PathVariable UUID id, @PathVariable int place, @RequestParam String what, @RequestParam int version) {
        find(id);
        Routing routing = routes.of(id);
        List<Routing.Rule> rules = new ArrayList<>(routing.rules());
        if (version == rules.size() && place >= 0 && place < rules.size()) {
            Routing.Rule rule = rules.remove(place);
            if (what.equals("up")) {
                rules.add(Math.max(0, place - 1), rule);
            }
            routes.keep(id, new Routing(rules, routing.split()));
        }
        return back(id);
    }

    @Needs(value = Permission.ISSUE, ofLink = true)
    @PostMapping("/split")
    ModelAndView split(@PathVariable UUID id, @RequestParam Map<String, String> typed, Business business) {
        LinkListed link = find(id);
        Map<String, String> faults = new HashMap<>();
        List<Routing.Share> shares = new ArrayList<>();
        for (int i = 0; i < Routing.MAX_SHARES; i++) {
            String address = typed.getOrDefault("address" + i, "").strip();
            if (!address.isEmpty()) {
                share(id, i, address, typed.getOrDefault("percent" + i, ""), business, faults)
                        .ifPresent(shares::add);
            }
        }
        try {
            Routing kept = new Routing(routes.of(id).rules(), shares);
            if (faults.isEmpty()) {
                routes.keep(id, kept);
                return back(id);
            }
        } catch (IllegalArgumentException e) {
            faults.put("split", String.valueOf(e.getMessage()));
        }
        return Refusal.of(show(link, "", RuleForm.empty(), faults, business)).addObject("typedSplit", typed);
    }

    private Optional<Routing.Share> share(
            UUID id, int number, String address, String percent, Business business, Map<String, String> faults) {
        Optional<WebAddress> page = check("address" + number, address, business, faults);
        if (!percent.strip().matches("\\d{1,2}") || Integer.parseInt(percent.strip()) < 1) {
            faults.put("percent" + number, "Give 1 to 99 of a hundred people.");
            return Optional.empty();
        }
        return page.map(to -> new Routing.Share(Integer.parseInt(percent.strip()), routes.way(id, to)));
    }

    private LinkListed find(UUID id) {
        return links.find(id).orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
    }

    private static ModelAndView back(UUID id) {
        return new ModelAndView("redirect:/links/" + id + "/leads");
    }
}
