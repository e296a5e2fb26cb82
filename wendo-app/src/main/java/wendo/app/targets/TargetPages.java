package wendo.app.targets;

import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.server.ResponseStatusException;
import org.springframework.web.servlet.ModelAndView;
import wendo.app.accounts.CurrentPerson;
import wendo.app.accounts.Needs;
import wendo.app.accounts.Permission;
import wendo.app.business.Business;
import wendo.app.site.Refusal;
import wendo.app.sources.SourceListed;
import wendo.app.sources.Sources;
import wendo.core.outcomes.OutcomeKind;

/** The most that an outcome may cost: what sources are judged by. */
@Needs(Permission.SET_UP)
@Controller
@RequestMapping("/setup/targets")
class TargetPages {
    private final Targets targets;
    private final Sources sources;

    TargetPages(Targets targets, Sources sources) {
        this.targets = targets;
        this.sources = sources;
    }

    @GetMapping
    ModelAndView page(Business business, CurrentPerson person) {
        return show(Optional.empty(), business, person);
    }

    @PostMapping
    ModelAndView set(@RequestParam Map<String, String> typed, Business business, CurrentPerson person) {
        person.mustBeAllowedToSetUp();
        Optional<UUID> source = Optional.of(typed.getOrDefault("source", ""))
                .filter(text -> !text.isEmpty())
                .map(text -> sources.list().stream()
                        .map(SourceListed::id)
                        .filter(id -> id.toString().equals(text))
                        .findFirst()
                        .orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND)));
        TargetForm.Checked checked = TargetForm.check(typed, business);
        if (!checked.form().faults().isEmpty()) {
            return Refusal.of(show(Optional.of(checked.form()), business, person));
        }
        targets.set(source, checked.target());
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
        return new ModelAndView("targets/page")
                .addObject("forms", forms.values())
                .addObject("named", named)
                .addObject("kinds", OutcomeKind.values())
                .addObject("maySetUp", person.role().maySetUp());
    }
}
