package wendo.app.issue.routes;

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
import org.springframework.dao.OptimisticLockingFailureException;
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
import wendo.app.issue.links.LinkListed;
import wendo.app.issue.links.LinkRoutes;
import wendo.app.issue.links.LinkSaving;
import wendo.app.platform.accounts.CurrentPerson;
import wendo.app.platform.accounts.Needs;
import wendo.app.platform.accounts.Permission;
import wendo.app.platform.business.Business;
import wendo.app.platform.business.EditedVersion;
import wendo.app.platform.site.EditConflict;
import wendo.app.platform.site.InvalidForm;
import wendo.app.prepare.destinations.DestinationLooks;
import wendo.core.links.AddressRefused;
import wendo.core.links.Conditions;
import wendo.core.links.Device;
import wendo.core.links.Routing;
import wendo.core.links.RoutingPreview;
import wendo.core.links.WebAddress;

/** Where one link leads: now, before, and for whom. */
@Controller
@RequestMapping("/links/{id}/leads")
class RouteController {
    private final LinkSaving links;
    private final LinkRoutes routes;
    private final RouteQueries queries;
    private final DestinationLooks looks;
    private final Clock clock;

    RouteController(LinkSaving links, LinkRoutes routes, RouteQueries queries, DestinationLooks looks, Clock clock) {
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
        return new ModelAndView("issue/routes/page")
                .addObject("link", link)
                .addObject("version", links.version(link.id()))
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
            @RequestParam(defaultValue = "") String version,
            Business business,
            CurrentPerson person) {
        LinkListed link = find(id);
        Map<String, String> faults = new HashMap<>();
        InvalidForm.tooLong(faults, "reason", reason, LinkSaving.MAX_REASON);
        Optional<WebAddress> page = check("newAddress", address, business, faults);
        if (page.isEmpty() || !faults.isEmpty()) {
            return InvalidForm.of(show(link, "", RuleForm.empty(), faults, business))
                    .addObject("newAddress", address)
                    .addObject("reason", reason);
        }
        try {
            links.leadTo(
                    id, EditedVersion.of(version), page.get(), new LinkSaving.Reason(reason.strip(), person.name()));
        } catch (OptimisticLockingFailureException e) {
            return changedMeanwhile(link, RuleForm.empty(), business)
                    .addObject("newAddress", address)
                    .addObject("reason", reason);
        }
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
            return InvalidForm.of(show(link, "", form, faults, business));
        }
        List<Routing.Rule> rules = new ArrayList<>(routing.rules());
        rules.add(new Routing.Rule(when.get(), routes.way(id, page.get())));
        try {
            routes.save(id, edited(typed.toSingleValueMap()), new Routing(rules, routing.split()));
        } catch (OptimisticLockingFailureException e) {
            return changedMeanwhile(link, form, business);
        }
        looks.look(page.get(), business);
        return back(id);
    }

    @Needs(value = Permission.ISSUE, ofLink = true)
    @PostMapping("/rules/{place}")
    ModelAndView change(
            @PathVariable UUID id,
            @PathVariable int place,
            @RequestParam String what,
            @RequestParam(defaultValue = "") String version,
            Business business) {
        LinkListed link = find(id);
        Routing routing = routes.of(id);
        List<Routing.Rule> rules = new ArrayList<>(routing.rules());
        if (place >= 0 && place < rules.size()) {
            Routing.Rule rule = rules.remove(place);
            if (what.equals("up")) {
                rules.add(Math.max(0, place - 1), rule);
            }
            try {
                routes.save(id, EditedVersion.of(version), new Routing(rules, routing.split()));
            } catch (OptimisticLockingFailureException e) {
                return changedMeanwhile(link, RuleForm.empty(), business);
            }
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
                routes.save(id, edited(typed), kept);
                return back(id);
            }
        } catch (OptimisticLockingFailureException e) {
            return changedMeanwhile(link, RuleForm.empty(), business).addObject("typedSplit", typed);
        } catch (IllegalArgumentException e) {
            faults.put("split", String.valueOf(e.getMessage()));
        }
        return InvalidForm.of(show(link, "", RuleForm.empty(), faults, business))
                .addObject("typedSplit", typed);
    }

    private static EditedVersion edited(Map<String, String> typed) {
        return EditedVersion.of(typed.getOrDefault("version", ""));
    }

    /** The page as it is now shows what the other person did; what was typed stands in its fields. */
    private ModelAndView changedMeanwhile(LinkListed link, RuleForm rule, Business business) {
        return EditConflict.of(show(link, "", rule, Map.of(), business), "/links/" + link.id() + "/leads");
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
