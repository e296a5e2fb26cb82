package wendo.app.visit.outbound;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.ModelAttribute;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestMethod;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.ModelAndView;
import wendo.app.platform.accounts.CurrentPerson;
import wendo.app.platform.accounts.Needs;
import wendo.app.platform.accounts.Permission;
import wendo.app.platform.business.Business;
import wendo.app.platform.business.UniqueKey;
import wendo.app.platform.site.Amount;
import wendo.app.platform.site.InvalidForm;
import wendo.app.platform.site.Limits;
import wendo.app.platform.site.PeriodChoice;
import wendo.app.platform.site.Ribbon;
import wendo.app.platform.site.Ribbons;
import wendo.app.platform.site.Texts;
import wendo.app.platform.site.ViewRecord;
import wendo.core.visits.OutgoingPattern;

/** What the links that lead away are worth, page by page; and the patterns they are counted by. */
@Controller
class OutboundController {
    private static final int MAX_NAME = Limits.SHORT_NAME;

    private final OutboundPatterns patterns;
    private final OutboundQueries queries;
    private final Ribbons ribbons;

    OutboundController(OutboundPatterns patterns, OutboundQueries queries, Ribbons ribbons) {
        this.patterns = patterns;
        this.queries = queries;
        this.ribbons = ribbons;
    }

    record PatternTrial(OutboundQueries.Trial trial, String tried) {}

    /** As typed. */
    record Typed(String name, String pattern, String worth, String network) {
        Typed(@Nullable String name, @Nullable String pattern, @Nullable String worth, @Nullable String network) {
            this.name = name == null ? "" : name.strip();
            this.pattern = pattern == null ? "" : pattern.strip();
            this.worth = worth == null ? "" : worth.strip();
            this.network = network == null ? "" : network.strip();
        }
    }

    record OutboundFiguresPage(
            List<PageWorth> pages,
            boolean hasPatterns,
            long clicks,
            long worth,
            List<OutboundQueries.Followed> uncounted,
            PeriodChoice choice,
            Ribbon ribbon) {}

    record OutboundPatternsPage(
            List<OutboundPatterns.Kept> patterns,
            List<PayingNetworks.Paying> networks,
            Typed typed,
            Map<String, String> faults,
            int measuredDays,
            int withinDays) {}

    @GetMapping("/links/outgoing")
    ModelAndView figures(PeriodChoice choice, Business business) {
        List<OutboundPatterns.Kept> kept = patterns.all(business);
        List<PageWorth> pages = PageWorth.of(queries.byPage(choice.period(), business.zone()), kept);
        return ViewRecord.of(
                "visit/outbound/figures",
                new OutboundFiguresPage(
                        pages,
                        !kept.isEmpty(),
                        pages.stream().mapToLong(PageWorth::clicks).sum(),
                        pages.stream()
                                .mapToLong(page -> page.worthMinor().orElse(0))
                                .sum(),
                        queries.uncounted(choice.period(), business.zone()),
                        choice,
                        ribbons.draw(choice)));
    }

    @Needs(Permission.SET_UP)
    @GetMapping("/setup/outgoing")
    ModelAndView list(@RequestParam(defaultValue = "") String pattern, Business business) {
        return list(new Typed("", pattern, "", ""), Map.of(), business);
    }

    private ModelAndView list(Typed typed, Map<String, String> faults, Business business) {
        List<PayingNetworks.Paying> networks = patterns.paying(business);
        return ViewRecord.of(
                "visit/outbound/patterns",
                new OutboundPatternsPage(
                        patterns.all(networks),
                        networks,
                        typed,
                        faults,
                        OutboundPatterns.MEASURED_DAYS,
                        OutboundPatterns.OUTCOME_WITHIN_DAYS));
    }

    /** Tries a pattern; nothing is kept. */
    @Needs(Permission.SET_UP)
    @RequestMapping(
            path = "/setup/outgoing/check",
            method = {RequestMethod.GET, RequestMethod.POST})
    ModelAndView check(@ModelAttribute Typed typed, Business business) {
        return OutgoingPattern.find(typed.pattern())
                .map(found -> ViewRecord.with(
                        list(typed, Map.of(), business), new PatternTrial(queries.check(found), found.text())))
                .orElseGet(() -> InvalidForm.of(list(typed, Map.of("pattern", patternFault()), business)));
    }

    @Needs(Permission.SET_UP)
    @PostMapping("/setup/outgoing")
    ModelAndView add(@ModelAttribute Typed typed, Business business, CurrentPerson person) {
        Map<String, String> faults = new HashMap<>();
        Optional<OutgoingPattern> found = OutgoingPattern.find(typed.pattern());
        if (found.isEmpty()) {
            faults.put("pattern", patternFault());
        }
        if (typed.name().isEmpty() || typed.name().length() > MAX_NAME) {
            faults.put("name", Texts.of("visit.outbound.name-what-these-links-lead", MAX_NAME));
        }
        OutboundPatterns.Worth worth = worth(typed, faults, business);
        if (faults.isEmpty()
                && UniqueKey.refuses(() -> patterns.add(typed.name(), found.orElseThrow(), worth, person.name()))) {
            faults.put("pattern", Texts.of("visit.outbound.this-pattern-is-there-already"));
        }
        return faults.isEmpty()
                ? new ModelAndView("redirect:/setup/outgoing")
                : InvalidForm.of(list(typed, faults, business));
    }

    /** A network counts before an amount: with one chosen there is no field for the other. */
    private OutboundPatterns.Worth worth(Typed typed, Map<String, String> faults, Business business) {
        if (!typed.network().isEmpty()) {
            Optional<UUID> network = patterns.paying(business).stream()
                    .map(PayingNetworks.Paying::id)
                    .filter(id -> id.toString().equals(typed.network()))
                    .findFirst();
            if (network.isEmpty()) {
                faults.put("network", Texts.of("visit.outbound.network-pays-no-more"));
            }
            return new OutboundPatterns.Worth(OptionalLong.empty(), network);
        }
        try {
            return typed.worth().isEmpty()
                    ? OutboundPatterns.Worth.MEASURED
                    : new OutboundPatterns.Worth(
                            OptionalLong.of(Amount.of(typed.worth(), business.currency(), business.locale())
                                    .minor()),
                            Optional.empty());
        } catch (IllegalArgumentException e) {
            faults.put("worth", Texts.said(e));
            return OutboundPatterns.Worth.MEASURED;
        }
    }

    @Needs(Permission.SET_UP)
    @PostMapping("/setup/outgoing/{id}/remove")
    String remove(@PathVariable UUID id) {
        patterns.remove(id);
        return "redirect:/setup/outgoing";
    }

    private static String patternFault() {
        return Texts.of("visit.outbound.enter-a-host-perhaps-with", OutgoingPattern.MAX_LENGTH);
    }
}
