package wendo.app.forms;

import java.util.LinkedHashMap;
import java.util.List;
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
import wendo.app.accounts.CurrentPerson;
import wendo.app.accounts.Needs;
import wendo.app.accounts.Permission;
import wendo.app.consent.ConsentPurpose;
import wendo.app.links.LinkHosts;
import wendo.app.site.Refusal;

/** The entry forms of a business, and one of them. */
@Needs(Permission.SET_UP)
@Controller
@RequestMapping("/setup/forms")
class FormPages {
    private final Forms forms;
    private final LinkHosts hosts;

    FormPages(Forms forms, LinkHosts hosts) {
        this.forms = forms;
        this.hosts = hosts;
    }

    @GetMapping
    ModelAndView list() {
        return new ModelAndView("forms/list").addObject("forms", forms.list());
    }

    @GetMapping("/new")
    ModelAndView fresh() {
        return page(Optional.empty(), EntryForm.fresh(), Map.of());
    }

    @PostMapping("/new")
    ModelAndView add(@RequestParam Map<String, String> typed, CurrentPerson person) {
        FormTyped form = FormTyped.of(typed);
        Map<String, String> faults = faults(form, Optional.empty());
        return faults.isEmpty()
                ? new ModelAndView("redirect:/setup/forms/" + forms.add(form.form(), person.name()))
                : Refusal.of(page(Optional.empty(), form.form(), faults));
    }

    @GetMapping("/{id}")
    ModelAndView one(@PathVariable UUID id) {
        return page(Optional.of(id), find(id), Map.of());
    }

    @PostMapping("/{id}")
    ModelAndView change(@PathVariable UUID id, @RequestParam Map<String, String> typed) {
        find(id);
        FormTyped form = FormTyped.of(typed);
        Map<String, String> faults = faults(form, Optional.of(id));
        if (!faults.isEmpty()) {
            return Refusal.of(page(Optional.of(id), form.form(), faults));
        }
        forms.change(id, form.form());
        return new ModelAndView("redirect:/setup/forms/" + id);
    }

    @PostMapping("/{id}/archive")
    String archive(@PathVariable UUID id, @RequestParam boolean away) {
        find(id);
        forms.archive(id, away);
        return "redirect:/setup/forms";
    }

    private Map<String, String> faults(FormTyped form, Optional<UUID> id) {
        Map<String, String> faults = new LinkedHashMap<>(form.faults());
        if (!faults.containsKey("name") && forms.isTaken(form.form().name(), id)) {
            faults.put("name", "There is a form of this name.");
        }
        return faults;
    }

    private EntryForm find(UUID id) {
        return forms.find(id).orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
    }

    private ModelAndView page(Optional<UUID> id, EntryForm form, Map<String, String> faults) {
        return new ModelAndView("forms/page")
                .addObject("id", id)
                .addObject(
                        "isArchived",
                        forms.list().stream()
                                .anyMatch(one -> one.isArchived()
                                        && id.filter(one.id()::equals).isPresent()))
                .addObject(
                        "address",
                        id.map(one -> hosts.defaultHost().origin() + "/t/forms/" + one)
                                .orElse(""))
                .addObject("form", form)
                .addObject("fields", FormField.values())
                .addObject("purposes", Purpose.values())
                .addObject("accents", EntryForm.ACCENTS)
                .addObject("asks", List.of("off", "asked", "needed"))
                .addObject("consentPurposes", ConsentPurpose.values())
                .addObject("faults", faults);
    }
}
