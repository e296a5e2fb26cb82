package wendo.app.outcome.outcomes;

import java.time.Clock;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.servlet.ModelAndView;
import wendo.app.platform.accounts.CurrentPerson;
import wendo.app.platform.accounts.Needs;
import wendo.app.platform.accounts.Permission;
import wendo.app.platform.business.Business;
import wendo.app.platform.consent.ConsentPurpose;
import wendo.app.platform.consent.ToldConsent;
import wendo.app.platform.site.InvalidForm;
import wendo.app.platform.site.Texts;
import wendo.app.platform.site.TypedFields;
import wendo.app.platform.site.ViewRecord;
import wendo.app.prepare.sources.SourceListed;
import wendo.app.prepare.sources.Sources;
import wendo.core.outcomes.OutcomeKind;
import wendo.core.outcomes.OutcomeReport;

/** An outcome entered by hand: a booking by phone, a sale over the counter. */
@Needs(Permission.ENTER_OUTCOMES)
@Controller
@RequestMapping("/outcomes/new")
class OutcomeEntryController {
    private final Outcomes outcomes;
    private final Sources sources;
    private final Clock clock;

    OutcomeEntryController(Outcomes outcomes, Sources sources, Clock clock) {
        this.outcomes = outcomes;
        this.sources = sources;
        this.clock = clock;
    }

    record OutcomeEntryPage(
            OutcomeForm form,
            ToldConsent consent,
            OutcomeKind[] kinds,
            List<SourceListed> sources,
            ConsentPurpose[] purposes,
            Map<String, String> faults) {}

    @GetMapping
    ModelAndView form(Business business) {
        return show(OutcomeForm.empty(business.today(clock)), ToldConsent.none(), Map.of());
    }

    private ModelAndView show(OutcomeForm form, ToldConsent consent, Map<String, String> faults) {
        return ViewRecord.of(
                "outcome/outcomes/entry",
                new OutcomeEntryPage(
                        form, consent, OutcomeKind.values(), sources.list(), ConsentPurpose.values(), faults));
    }

    @PostMapping
    ModelAndView enter(TypedFields typed, Business business, CurrentPerson person) {
        OutcomeForm form = OutcomeForm.of(typed);
        OutcomeForm.Checked checked = form.read(business, clock.instant());
        Map<String, String> faults = new HashMap<>(checked.faults());
        Optional<SourceListed> source = sources.list().stream()
                .filter(one -> one.id().toString().equals(form.source()))
                .findFirst();
        if (source.isEmpty() && !form.source().isEmpty()) {
            faults.put("source", Texts.of("outcome.outcomes.this-source-is-no-longer"));
        }
        ToldConsent consent = ToldConsent.of(typed);
        consent.check(List.of(form.email(), form.phone()), faults);
        if (!faults.isEmpty()) {
            return InvalidForm.of(show(form, consent, faults));
        }
        OutcomeReport report = checked.report().orElseThrow();
        Optional<UUID> known = outcomes.find(report.kind(), report.reference());
        if (known.isPresent() && form.reference().isBlank()) {
            return new ModelAndView("redirect:/outcomes/" + known.get()); // pressed twice
        }
        if (known.isPresent()) {
            faults.put("reference", Texts.of("outcome.outcomes.there-is-a-with-this", form.kind()));
            return InvalidForm.of(show(form, consent, faults).addObject("known", known.get()));
        }
        UUID id = outcomes.enter(report, source, consent, person.name());
        return new ModelAndView("redirect:/outcomes/" + id);
    }
}
