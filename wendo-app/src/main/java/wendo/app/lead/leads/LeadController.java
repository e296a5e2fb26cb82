package wendo.app.lead.leads;

import java.time.Clock;
import java.time.DateTimeException;
import java.time.LocalDateTime;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.dao.OptimisticLockingFailureException;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.ModelAndView;
import wendo.app.outcome.outcomes.Outcomes;
import wendo.app.platform.accounts.Accounts;
import wendo.app.platform.accounts.Colleague;
import wendo.app.platform.accounts.CurrentPerson;
import wendo.app.platform.accounts.Needs;
import wendo.app.platform.accounts.Permission;
import wendo.app.platform.business.Business;
import wendo.app.platform.business.EditedVersion;
import wendo.app.platform.consent.ConsentPurpose;
import wendo.app.platform.consent.ConsentQueries;
import wendo.app.platform.consent.ToldConsent;
import wendo.app.platform.sending.Outbox;
import wendo.app.platform.site.EditConflict;
import wendo.app.platform.site.InvalidForm;
import wendo.app.platform.site.Limits;
import wendo.app.platform.site.Texts;
import wendo.app.platform.site.TypedFields;
import wendo.app.platform.site.ViewRecord;
import wendo.core.outcomes.OutcomeReport;

/** One lead. */
@Needs(Permission.WORK_LEADS)
@Controller
@RequestMapping("/leads")
class LeadController {
    private static final int MAX_TASK = Limits.TASK;

    private final Leads leads;
    private final LeadQueries queries;
    private final Outbox outbox;
    private final ConsentQueries consents;
    private final Outcomes outcomes;
    private final Accounts accounts;
    private final LeadAccess access;
    private final Clock clock;

    LeadController(
            Leads leads,
            LeadQueries queries,
            Outbox outbox,
            ConsentQueries consents,
            Outcomes outcomes,
            Accounts accounts,
            LeadAccess access,
            Clock clock) {
        this.leads = leads;
        this.queries = queries;
        this.outbox = outbox;
        this.consents = consents;
        this.outcomes = outcomes;
        this.accounts = accounts;
        this.access = access;
        this.clock = clock;
    }

    record LeadPage(
            LeadQueries.Row lead,
            int version,
            Stage[] stages,
            List<Colleague> colleagues,
            List<LeadQueries.Step> trail,
            List<Outbox.Message> messages,
            List<Outbox.Answer> answers,
            boolean optedOut,
            List<ConsentQueries.Row> consents,
            List<LeadQueries.Task> tasks,
            List<LeadQueries.Event> events,
            StageForm form,
            ToldConsent told,
            ConsentPurpose[] purposes,
            Map<String, String> typed,
            Map<String, String> faults) {}

    @GetMapping("/{id}")
    ModelAndView one(@PathVariable UUID id, CurrentPerson person) {
        return page(access.find(id, person), TypedFields.none(), Map.of());
    }

    private ModelAndView page(LeadQueries.Row lead, TypedFields typed, Map<String, String> faults) {
        return ViewRecord.of(
                "lead/leads/page",
                new LeadPage(
                        lead,
                        leads.version(lead.id()),
                        Stage.values(),
                        accounts.colleagues(),
                        queries.trail(lead.id()),
                        outbox.of(lead.id()),
                        outbox.answers(lead.id()),
                        !lead.email().isEmpty() && outbox.isOptedOut(lead.email())
                                || !lead.phone().isEmpty() && outbox.isOptedOut(lead.phone()),
                        consents.of(List.of(lead.email(), lead.phone())),
                        queries.tasks(lead.id()),
                        queries.events(lead.id()),
                        StageForm.of(typed, lead),
                        ToldConsent.of(typed),
                        ConsentPurpose.values(),
                        typed.firstValues(),
                        faults));
    }

    @PostMapping("/{id}/stage")
    ModelAndView stage(@PathVariable UUID id, TypedFields typed, Business business, CurrentPerson person) {
        LeadQueries.Row lead = access.find(id, person);
        StageForm form = StageForm.of(typed, lead);
        Map<String, String> faults = new HashMap<>(form.check(business));
        Optional<OutcomeReport> became = form.report(lead, business, clock.instant(), faults);
        if (became.flatMap(one -> outcomes.find(one.kind(), one.reference())).isPresent()) {
            faults.put("reference", Texts.of("lead.leads.there-is-a-with-this", form.becomes()));
        }
        if (!faults.isEmpty()) {
            return InvalidForm.of(page(lead, typed, faults));
        }
        EditedVersion edited = EditedVersion.of(typed.raw("version"));
        Leads.Stood stood = new Leads.Stood(form.stage(), form.quotedMinor(business), form.keptReason(), form.said());
        try {
            if (became.isPresent()) {
                leads.win(id, edited, new Leads.Won(became.get(), stood), person.name());
            } else {
                leads.stage(id, edited, stood, person.name());
            }
        } catch (OptimisticLockingFailureException e) {
            LeadQueries.Row theirs = access.find(id, person);
            Map<String, String> marks = EditConflict.marks(
                    Map.of("stage", form.stage().key(), "reason", form.reason()),
                    Map.of("stage", theirs.stage().key(), "reason", theirs.lostReason()));
            return EditConflict.of(page(theirs, typed, marks), "/leads/" + id);
        }
        return back(id);
    }

    /** They agreed to something when somebody asked them. */
    @PostMapping("/{id}/consent")
    ModelAndView consent(@PathVariable UUID id, TypedFields typed, CurrentPerson person) {
        LeadQueries.Row lead = access.find(id, person);
        List<String> contacts = List.of(lead.email(), lead.phone());
        ToldConsent told = ToldConsent.of(typed);
        Map<String, String> faults = new HashMap<>();
        if (told.purposes().isEmpty()) {
            faults.put(ToldConsent.WORDS, Texts.of("lead.leads.tick-what-they-agreed-to"));
        }
        told.check(contacts, faults);
        if (!faults.isEmpty()) {
            return InvalidForm.of(page(lead, typed, faults));
        }
        outcomes.agreed(told, contacts, id, person.name());
        return back(id);
    }

    @PostMapping("/{id}/owner")
    ModelAndView own(@PathVariable UUID id, @RequestParam(defaultValue = "") String owner, CurrentPerson person) {
        access.find(id, person);
        access.own(id, access.assignedTo(owner, person), person);
        return back(id);
    }

    /** They answered in another way: by phone, or by mail to a person's own mailbox. */
    @PostMapping("/{id}/answered")
    ModelAndView answered(@PathVariable UUID id, CurrentPerson person) {
        access.find(id, person);
        leads.note(id, person.name(), Texts.kept("lead.leads.they-answered"));
        leads.stop(id, Texts.kept("lead.leads.they-answered"));
        return back(id);
    }

    @PostMapping("/{id}/tasks")
    ModelAndView addTask(@PathVariable UUID id, TypedFields typed, Business business, CurrentPerson person) {
        LeadQueries.Row lead = access.find(id, person);
        Map<String, String> faults = new HashMap<>();
        String text = typed.text("task");
        if (text.isEmpty()) {
            faults.put("task", Texts.of("lead.leads.enter-the-task"));
        }
        InvalidForm.tooLong(faults, "task", text, MAX_TASK);
        try {
            LocalDateTime due = LocalDateTime.parse(typed.raw("due"));
            if (faults.isEmpty() && due.getYear() >= 2000 && due.getYear() < 2200) {
                leads.addTask(
                        id, Optional.empty(), text, due.atZone(business.zone()).toInstant());
                return back(id);
            }
            faults.putIfAbsent("due", Texts.of("lead.leads.choose-a-day-and-a"));
        } catch (DateTimeException e) {
            faults.put("due", Texts.of("lead.leads.choose-a-day-and-a"));
        }
        return InvalidForm.of(page(lead, typed, faults));
    }

    @PostMapping("/{id}/tasks/{task}")
    ModelAndView finish(@PathVariable UUID id, @PathVariable UUID task, CurrentPerson person) {
        access.find(id, person);
        leads.finishTask(id, task, person.name());
        return back(id);
    }

    private static ModelAndView back(UUID id) {
        return new ModelAndView("redirect:/leads/" + id);
    }
}
