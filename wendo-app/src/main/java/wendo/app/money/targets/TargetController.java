package wendo.app.money.targets;

import java.util.Collection;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.dao.OptimisticLockingFailureException;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.server.ResponseStatusException;
import org.springframework.web.servlet.ModelAndView;
import wendo.app.platform.accounts.CurrentPerson;
import wendo.app.platform.accounts.Needs;
import wendo.app.platform.accounts.Permission;
import wendo.app.platform.business.Business;
import wendo.app.platform.business.EditedVersion;
import wendo.app.platform.site.EditConflict;
import wendo.app.platform.site.InvalidForm;
import wendo.app.platform.site.TypedFields;
import wendo.app.platform.site.ViewRecord;
import wendo.app.prepare.sources.SourceListed;
import wendo.app.prepare.sources.Sources;
import wendo.core.outcomes.OutcomeKind;

/** The most that an outcome may cost: what sources are judged by. */
@Needs(Permission.SET_UP)
@Controller
@RequestMapping("/setup/targets")
class TargetController {
    private final Targets targets;
    private final Sources sources;

    TargetController(Targets targets, Sources sources) {
        this.targets = targets;
        this.sources = sources;
    }

    record TargetPage(
            Collection<TargetForm> forms,
            Map<String, Integer> versions,
            Map<String, SourceListed> named,
            OutcomeKind[] kinds,
            boolean maySetUp) {}

    @GetMapping
    ModelAndView page(Business business, CurrentPerson person) {
        return show(Optional.empty(), business, person);
    }

    @PostMapping
    ModelAndView set(TypedFields typed, Business business, CurrentPerson person) {
        person.mustBeAllowedToSetUp();
        Optional<UUID> source = Optional.of(typed.raw("source"))
                .filter(text -> !text.isEmpty())
                .map(text -> sources.list().stream()
                        .map(SourceListed::id)
                        .filter(id -> id.toString().equals(text))
                        .findFirst()
                        .orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND)));
        TargetForm.Checked checked = TargetForm.check(typed, business);
        if (!checked.form().faults().isEmpty()) {
            return InvalidForm.of(show(Optional.of(checked.form()), business, person));
        }
        try {
            targets.set(source, checked.target(), EditedVersion.of(typed.raw("version")));
        } catch (OptimisticLockingFailureException e) {
            String key = source.map(UUID::toString).orElse("");
            Target theirs =
                    source.map(targets.all()::of).orElseGet(() -> targets.all().business());
            TargetForm stored = TargetForm.of(key, theirs, business);
            TargetForm marked = new TargetForm(typed, EditConflict.marks(typed, stored.fields()));
            return EditConflict.of(show(Optional.of(marked), business, person), "/setup/targets");
        }
        return new ModelAndView("redirect:/setup/targets");
    }

    private ModelAndView show(Optional<TargetForm> refused, Business business, CurrentPerson person) {
        Targets.All all = targets.all();
        List<SourceListed> listed = sources.list();
        Map<String, TargetForm> forms = new LinkedHashMap<>();
        Map<String, SourceListed> named = new HashMap<>();
        forms.put("", TargetForm.of("", all.business(), business));
        for (SourceListed source : listed) {
            String id = source.id().toString();
            named.put(id, source);
            forms.put(id, TargetForm.of(id, all.of(source.id()), business));
        }
        refused.ifPresent(form -> forms.put(form.typed("source"), form));
        return ViewRecord.of(
                "money/targets/page",
                new TargetPage(
                        forms.values(),
                        targets.versions(),
                        named,
                        OutcomeKind.values(),
                        person.role().maySetUp()));
    }
}
