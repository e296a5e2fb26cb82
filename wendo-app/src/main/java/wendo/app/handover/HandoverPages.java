package wendo.app.handover;

import java.time.DateTimeException;
import java.time.LocalTime;
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
import wendo.app.accounts.Needs;
import wendo.app.accounts.Permission;
import wendo.app.business.Business;
import wendo.app.site.Refusal;
import wendo.core.handover.SendingHours;

/** What happens to leads on arrival: the list, one handover, and the hours. */
@Needs(Permission.SET_UP)
@Controller
@RequestMapping("/setup/handovers")
class HandoverPages {
    private final Handovers handovers;
    private final Rounds rounds;
    private final Plans plans;
    private final Accounts accounts;

    HandoverPages(Handovers handovers, Rounds rounds, Plans plans, Accounts accounts) {
        this.handovers = handovers;
        this.rounds = rounds;
        this.plans = plans;
        this.accounts = accounts;
    }

    @GetMapping
    ModelAndView list(Business business, CurrentPerson person) {
        SendingHours hours = handovers.hours();
        return list(
                Map.of(
                        "cutOff",
                        hours.cutOff().toString(),
                        "quietFrom",
                        hours.quietFrom().toString(),
                        "quietUntil",
                        hours.quietUntil().toString()),
                Map.of(),
                business,
                person);
    }

    private ModelAndView list(
            Map<String, String> hours, Map<String, String> faults, Business business, CurrentPerson person) {
        return new ModelAndView("handover/list")
                .addObject("handovers", handovers.list())
                .addObject("all", business.id().value())
                .addObject("rounds", rounds.list())
                .addObject("plans", plans.list())
                .addObject("people", accounts.colleagues())
                .addObject("hours", hours)
                .addObject("faults", faults)
                .addObject("maySetUp", person.role().maySetUp());
    }

    @PostMapping("/hours")
    ModelAndView keepHours(@RequestParam Map<String, String> typed, Business business, CurrentPerson person) {
        person.mustBeAllowedToSetUp();
        try {
            handovers.keepHours(new SendingHours(
                    LocalTime.parse(typed.getOrDefault("cutOff", "")),
                    LocalTime.parse(typed.getOrDefault("quietFrom", "")),
                    LocalTime.parse(typed.getOrDefault("quietUntil", "")),
                    business.zone()));
            return new ModelAndView("redirect:/setup/handovers");
        } catch (DateTimeException e) {
            return Refusal.of(list(typed, Map.of("hours", "Write times like 17:00."), business, person));
        }
    }

    @GetMapping("/{reach}/{id}")
    ModelAndView one(@PathVariable String reach, @PathVariable UUID id, CurrentPerson person) {
        Reach what = reach(reach);
        Optional<Handover> kept = handovers.find(what, id);
        return page(what, id, kept.orElse(Handover.usual()), Map.of(), person).addObject("isKept", kept.isPresent());
    }

    private ModelAndView page(
            Reach reach, UUID id, Handover handover, Map<String, String> faults, CurrentPerson person) {
        String name = handovers.nameOf(reach, id).orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
        return new ModelAndView("handover/page")
                .addObject("reach", reach)
                .addObject("id", id)
                .addObject("name", name)
                .addObject("handover", handover)
                .addObject("people", accounts.colleagues())
                .addObject("rounds", rounds.list())
                .addObject("plans", plans.list())
                .addObject("fields", HandoverTyped.FIELDS)
                .addObject("faults", faults)
                .addObject("isKept", false)
                .addObject("maySetUp", person.role().maySetUp());
    }

    @PostMapping("/{reach}/{id}")
    ModelAndView keep(
            @PathVariable String reach,
            @PathVariable UUID id,
            @RequestParam Map<String, String> typed,
            CurrentPerson person) {
        person.mustBeAllowedToSetUp();
        Reach what = reach(reach);
        HandoverTyped read = HandoverTyped.of(typed, accounts.colleagues(), rounds.list(), plans.list());
        ModelAndView again = page(what, id, read.handover(), read.faults(), person);
        if (!read.faults().isEmpty()) {
            return Refusal.of(again);
        }
        handovers.keep(what, id, read.handover());
        return new ModelAndView(back(what, id));
    }

    @PostMapping("/{reach}/{id}/remove")
    String remove(@PathVariable String reach, @PathVariable UUID id, CurrentPerson person) {
        person.mustBeAllowedToSetUp();
        Reach what = reach(reach);
        handovers.remove(what, id);
        return back(what, id);
    }

    /** A link's handover is set from the link's page, and leads back there. */
    private static String back(Reach reach, UUID id) {
        return reach == Reach.LINK ? "redirect:/links/" + id : "redirect:/setup/handovers";
    }

    private static Reach reach(String key) {
        return Reach.find(key).orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
    }
}
