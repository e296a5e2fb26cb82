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
import wendo.app.platform.accounts.Needs;
import wendo.app.platform.accounts.PageContext;
import wendo.app.platform.accounts.Permission;
import wendo.app.platform.business.Business;
import wendo.app.platform.business.Businesses;
import wendo.app.platform.business.EditedVersion;
import wendo.app.platform.site.EditConflict;
import wendo.app.platform.site.InvalidForm;
import wendo.app.platform.site.Texts;
import wendo.app.platform.site.TypedFields;
import wendo.app.platform.site.ViewRecord;
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
    private final Businesses businesses;
    private final Clock clock;

    RouteController(
            LinkSaving links,
            LinkRoutes routes,
            RouteQueries queries,
            DestinationLooks looks,
            Businesses businesses,
            Clock clock) {
        this.links = links;
        this.routes = routes;
        this.queries = queries;
        this.looks = looks;
        this.businesses = businesses;
        this.clock = clock;
    }

    /** Where the link should lead instead, as it was typed. */
    record Moved(String newAddress, String reason) {}

    record RoutePage(
            LinkListed link,
            int version,
            Routing routing,
            List<RouteQueries.PastDestination> history,
            RuleWords say,
            RuleForm rule,
            Map<String, String> faults,
            LocalDateTime at,
            Map<UUID, String> pages,
            Map<Integer, List<RoutingPreview.Group>> ways,
            DayOfWeek[] weekdays,
            Device[] devices) {}

    /** Also at the addresses that refused forms leave behind. */
    @GetMapping({"", "/rules", "/split"})
    ModelAndView page(@PathVariable UUID id, @RequestParam(defaultValue = "") String at) {
        return show(find(id), at, RuleForm.empty(), Map.of());
    }

    private ModelAndView show(LinkListed link, String at, RuleForm rule, Map<String, String> faults) {
        Business business = businesses.current();
        Routing routing = routes.of(link.id());
        LocalDateTime now =
                LocalDateTime.ofInstant(clock.instant(), business.zone()).truncatedTo(ChronoUnit.MINUTES);
        LocalDateTime moment = moment(at).orElse(now);
        return ViewRecord.of(
                "issue/routes/page",
                new RoutePage(
                        link,
                        links.version(link.id()),
                        routing,
                        queries.history(link.id()),
                        new RuleWords(business.locale()),
                        rule,
                        faults,
                        moment,
                        queries.pages(link.id()),
                        ways(RoutingPreview.of(routing, moment)),
                        DayOfWeek.values(),
                        Device.values()));
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
    ModelAndView lead(@PathVariable UUID id, TypedFields typed, PageContext context) {
        Business business = context.business();
        String address = typed.raw("address");
        String reason = typed.raw("reason");
        LinkListed link = find(id);
        Map<String, String> faults = new HashMap<>();
        InvalidForm.tooLong(faults, "reason", reason, LinkSaving.MAX_REASON);
        Optional<WebAddress> page = check("newAddress", address, business, faults);
        if (page.isEmpty() || !faults.isEmpty()) {
            return InvalidForm.of(
                    ViewRecord.with(show(link, "", RuleForm.empty(), faults), new Moved(address, reason)));
        }
        try {
            links.leadTo(
                    id,
                    edited(typed),
                    page.get(),
                    new LinkSaving.Reason(reason.strip(), context.person().name()));
        } catch (OptimisticLockingFailureException e) {
            return ViewRecord.with(changedMeanwhile(link, RuleForm.empty()), new Moved(address, reason));
        }
        looks.look(page.get(), business);
        return back(id);
    }

    private Optional<WebAddress> check(String field, String address, Business business, Map<String, String> faults) {
        try {
            return Optional.of(links.check(address, business));
        } catch (AddressRefused e) {
            faults.put(field, Texts.said(e));
            return Optional.empty();
        }
    }

    @Needs(value = Permission.ISSUE, ofLink = true)
    @PostMapping("/rules")
    ModelAndView add(@PathVariable UUID id, TypedFields typed, Business business) {
        LinkListed link = find(id);
        RuleForm form = RuleForm.of(typed);
        Map<String, String> faults = new HashMap<>();
        Optional<Conditions> when = form.read(business.locale(), faults);
        Optional<WebAddress> page = check("address", form.address(), business, faults);
        Routing routing = routes.of(id);
        if (routing.rules().size() == Routing.MAX_RULES) {
            faults.put("rule", Texts.of("issue.routes.a-link-may-have-rules", Routing.MAX_RULES));
        }
        if (when.isEmpty() || page.isEmpty() || !faults.isEmpty()) {
            return InvalidForm.of(show(link, "", form, faults));
        }
        List<Routing.Rule> rules = new ArrayList<>(routing.rules());
        rules.add(new Routing.Rule(when.get(), routes.way(id, page.get())));
        try {
            routes.save(id, edited(typed), new Routing(rules, routing.split()));
        } catch (OptimisticLockingFailureException e) {
            return changedMeanwhile(link, form);
        }
        looks.look(page.get(), business);
        return back(id);
    }

    @Needs(value = Permission.ISSUE, ofLink = true)
    @PostMapping("/rules/{place}")
    ModelAndView change(@PathVariable UUID id, @PathVariable int place, TypedFields typed, Business business) {
        LinkListed link = find(id);
        Routing routing = routes.of(id);
        List<Routing.Rule> rules = new ArrayList<>(routing.rules());
        if (place >= 0 && place < rules.size()) {
            Routing.Rule rule = rules.remove(place);
            if (typed.is("what", "up")) {
                rules.add(Math.max(0, place - 1), rule);
            }
            try {
                routes.save(id, edited(typed), new Routing(rules, routing.split()));
            } catch (OptimisticLockingFailureException e) {
                return changedMeanwhile(link, RuleForm.empty());
            }
        }
        return back(id);
    }

    @Needs(value = Permission.ISSUE, ofLink = true)
    @PostMapping("/split")
    ModelAndView split(@PathVariable UUID id, TypedFields typed, Business business) {
        LinkListed link = find(id);
        Map<String, String> faults = new HashMap<>();
        List<Routing.Share> shares = new ArrayList<>();
        for (int i = 0; i < Routing.MAX_SHARES; i++) {
            String address = typed.text("address" + i);
            if (!address.isEmpty()) {
                Optional<WebAddress> page = check("address" + i, address, business, faults);
                percent(typed.text("percent" + i), "percent" + i, faults)
                        .ifPresent(percent ->
                                page.ifPresent(to -> shares.add(new Routing.Share(percent, routes.way(id, to)))));
            }
        }
        try {
            Routing kept = new Routing(routes.of(id).rules(), shares);
            if (faults.isEmpty()) {
                routes.save(id, edited(typed), kept);
                return back(id);
            }
        } catch (OptimisticLockingFailureException e) {
            return changedMeanwhile(link, RuleForm.empty()).addObject("typedSplit", typed.firstValues());
        } catch (IllegalArgumentException e) {
            faults.put("split", Texts.said(e));
        }
        return InvalidForm.of(show(link, "", RuleForm.empty(), faults)).addObject("typedSplit", typed.firstValues());
    }

    private static EditedVersion edited(TypedFields typed) {
        return EditedVersion.of(typed.raw("version"));
    }

    /** The page as it is now shows what the other person did; what was typed stands in its fields. */
    private ModelAndView changedMeanwhile(LinkListed link, RuleForm rule) {
        return EditConflict.of(show(link, "", rule, Map.of()), "/links/" + link.id() + "/leads");
    }

    private static Optional<Integer> percent(String typed, String field, Map<String, String> faults) {
        if (!typed.matches("\\d{1,2}") || Integer.parseInt(typed) < 1) {
            faults.put(field, Texts.of("issue.routes.enter-1-to-99-of"));
            return Optional.empty();
        }
        return Optional.of(Integer.valueOf(typed));
    }

    private LinkListed find(UUID id) {
        return links.find(id).orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
    }

    private static ModelAndView back(UUID id) {
        return new ModelAndView("redirect:/links/" + id + "/leads");
    }
}
