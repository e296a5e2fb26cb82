package wendo.app.lead.handover;

import java.time.DateTimeException;
import java.time.LocalTime;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.dao.OptimisticLockingFailureException;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.server.ResponseStatusException;
import org.springframework.web.servlet.ModelAndView;
import wendo.app.platform.accounts.Accounts;
import wendo.app.platform.accounts.Colleague;
import wendo.app.platform.accounts.CurrentPerson;
import wendo.app.platform.accounts.Needs;
import wendo.app.platform.accounts.Permission;
import wendo.app.platform.business.Business;
import wendo.app.platform.business.Businesses;
import wendo.app.platform.business.EditedVersion;
import wendo.app.platform.site.EditConflict;
import wendo.app.platform.site.InvalidForm;
import wendo.app.platform.site.Texts;
import wendo.app.platform.site.TypedFields;
import wendo.app.platform.site.ViewRecord;
import wendo.core.handover.SendingHours;

/** What happens to leads on arrival: the list, one handover, and the hours. */
@Needs(Permission.SET_UP)
@Controller
@RequestMapping("/setup/handovers")
class HandoverController {
    private final Handovers handovers;
    private final Rounds rounds;
    private final Plans plans;
    private final Accounts accounts;
    private final Businesses businesses;

    HandoverController(Handovers handovers, Rounds rounds, Plans plans, Accounts accounts, Businesses businesses) {
        this.handovers = handovers;
        this.rounds = rounds;
        this.plans = plans;
        this.accounts = accounts;
        this.businesses = businesses;
    }

    record HandoverListPage(
            List<Handovers.Listed> handovers,
            UUID all,
            List<Rounds.Listed> rounds,
            List<Plans.Plan> plans,
            List<Colleague> people,
            Map<String, String> hours,
            int hoursVersion,
            Map<String, String> faults,
            boolean maySetUp) {}

    record HandoverPage(
            Integer version,
            Reach reach,
            UUID id,
            String name,
            Handover handover,
            List<Colleague> people,
            List<Rounds.Listed> rounds,
            List<Plans.Plan> plans,
            List<String> fields,
            Map<String, String> faults,
            boolean isKept,
            boolean maySetUp) {}

    @GetMapping
    ModelAndView list(Business business, CurrentPerson person) {
        return list(fields(businesses.sendingHours()), Map.of(), business, person);
    }

    private static Map<String, String> fields(SendingHours hours) {
        return Map.of(
                "cutOff",
                hours.cutOff().toString(),
                "quietFrom",
                hours.quietFrom().toString(),
                "quietUntil",
                hours.quietUntil().toString());
    }

    private ModelAndView list(
            Map<String, String> hours, Map<String, String> faults, Business business, CurrentPerson person) {
        return ViewRecord.of(
                "lead/handover/list",
                new HandoverListPage(
                        handovers.list(),
                        business.id().value(),
                        rounds.list(),
                        plans.list(),
                        accounts.colleagues(),
                        hours,
                        EditedVersion.ofContent(businesses.sendingHours()),
                        faults,
                        person.role().maySetUp()));
    }

    @PostMapping("/hours")
    ModelAndView changeHours(TypedFields typed, Business business, CurrentPerson person) {
        person.mustBeAllowedToSetUp();
        try {
            SendingHours hours = new SendingHours(
                    LocalTime.parse(typed.raw("cutOff")),
                    LocalTime.parse(typed.raw("quietFrom")),
                    LocalTime.parse(typed.raw("quietUntil")),
                    business.zone());
            businesses.changeSendingHours(EditedVersion.of(typed.raw("version")), hours);
            return new ModelAndView("redirect:/setup/handovers");
        } catch (OptimisticLockingFailureException e) {
            Map<String, String> marks = EditConflict.marks(typed, fields(businesses.sendingHours()));
            return EditConflict.of(list(typed.firstValues(), marks, business, person), "/setup/handovers");
        } catch (DateTimeException e) {
            return InvalidForm.of(list(
                    typed.firstValues(),
                    Map.of("hours", Texts.of("lead.handover.write-times-like-17-00")),
                    business,
                    person));
        }
    }

    @GetMapping("/{reach}/{id}")
    ModelAndView one(@PathVariable String reach, @PathVariable UUID id, CurrentPerson person) {
        Reach what = reach(reach);
        Handover stored =
                handovers.find(what, id).map(Handovers.Stored::handover).orElse(Handover.usual());
        return page(what, id, new HandoverForm(stored, Map.of()), person);
    }

    private String mustExist(Reach reach, UUID id) {
        return handovers.nameOf(reach, id).orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
    }

    private ModelAndView page(Reach reach, UUID id, HandoverForm form, CurrentPerson person) {
        String name = mustExist(reach, id);
        Optional<Handovers.Stored> stored = handovers.find(reach, id);
        return ViewRecord.of(
                "lead/handover/page",
                new HandoverPage(
                        stored.map(Handovers.Stored::version).orElse(0),
                        reach,
                        id,
                        name,
                        form.handover(),
                        accounts.colleagues(),
                        rounds.list(),
                        plans.list(),
                        HandoverForm.FIELDS,
                        form.faults(),
                        stored.isPresent(),
                        person.role().maySetUp()));
    }

    @PostMapping("/{reach}/{id}")
    ModelAndView save(@PathVariable String reach, @PathVariable UUID id, TypedFields typed, CurrentPerson person) {
        person.mustBeAllowedToSetUp();
        Reach what = reach(reach);
        HandoverForm read = HandoverForm.of(typed, accounts.colleagues(), rounds.list(), plans.list());
        mustExist(what, id);
        if (!read.faults().isEmpty()) {
            return InvalidForm.of(page(what, id, read, person));
        }
        try {
            handovers.save(what, id, EditedVersion.of(typed.raw("version")), read.handover());
        } catch (OptimisticLockingFailureException e) {
            Handover theirs =
                    handovers.find(what, id).map(Handovers.Stored::handover).orElse(Handover.usual());
            Map<String, String> marks =
                    EditConflict.marks(HandoverForm.fields(read.handover()), HandoverForm.fields(theirs));
            return EditConflict.of(
                    page(what, id, new HandoverForm(read.handover(), marks), person),
                    "/setup/handovers/%s/%s".formatted(what.key(), id));
        }
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
