package wendo.app.lead.forms;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.function.Supplier;
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
import wendo.app.issue.links.LinkHosts;
import wendo.app.platform.accounts.CurrentPerson;
import wendo.app.platform.accounts.Needs;
import wendo.app.platform.accounts.Permission;
import wendo.app.platform.business.EditedVersion;
import wendo.app.platform.business.UniqueKey;
import wendo.app.platform.consent.ConsentPurpose;
import wendo.app.platform.site.EditConflict;
import wendo.app.platform.site.InvalidForm;
import wendo.app.platform.site.Texts;
import wendo.app.platform.site.TypedFields;
import wendo.app.platform.site.ViewRecord;
import wendo.app.visit.sitetag.Embedding;

/** The entry forms of a business, and one of them. */
@Needs(Permission.SET_UP)
@Controller
@RequestMapping("/setup/forms")
class FormController {
    private final Forms forms;
    private final LinkHosts hosts;
    private final Embedding embedding;

    FormController(Forms forms, LinkHosts hosts, Embedding embedding) {
        this.forms = forms;
        this.hosts = hosts;
        this.embedding = embedding;
    }

    record FormPage(
            Optional<UUID> id,
            Integer version,
            boolean isArchived,
            String address,
            Optional<Embedding.Markup> markup,
            EntryForm form,
            FormField[] fields,
            Purpose[] purposes,
            List<String> accents,
            List<String> asks,
            ConsentPurpose[] consentPurposes,
            Map<String, String> faults) {}

    @GetMapping
    ModelAndView list() {
        return new ModelAndView("lead/forms/list", "forms", forms.list());
    }

    @GetMapping("/new")
    ModelAndView fresh() {
        return page(Optional.empty(), EntryForm.fresh(), Map.of());
    }

    @PostMapping("/new")
    ModelAndView add(TypedFields typed, CurrentPerson person) {
        EntryFormForm form = EntryFormForm.of(typed);
        return save(Optional.empty(), form, () -> forms.add(form.form(), person.name()));
    }

    /** How visitors would see what is typed so far; nothing is kept, and nothing is refused. */
    @PostMapping("/preview")
    ModelAndView preview(TypedFields typed) {
        return new ModelAndView(
                "lead/forms/preview :: preview", "form", EntryFormForm.of(typed).form());
    }

    private ModelAndView save(Optional<UUID> id, EntryFormForm form, Supplier<UUID> saving) {
        if (!form.faults().isEmpty()) {
            return InvalidForm.of(page(id, form.form(), form.faults()));
        }
        return UniqueKey.stored(saving)
                .map(saved -> new ModelAndView("redirect:/setup/forms/" + saved))
                .orElseGet(() -> InvalidForm.of(
                        page(id, form.form(), Map.of("name", Texts.of("lead.forms.there-is-a-form-with")))));
    }

    @GetMapping("/{id}")
    ModelAndView one(@PathVariable UUID id) {
        return page(Optional.of(id), find(id).form(), Map.of());
    }

    @PostMapping("/{id}")
    ModelAndView change(@PathVariable UUID id, TypedFields typed) {
        find(id);
        EntryFormForm form = EntryFormForm.of(typed);
        EditedVersion edited = EditedVersion.of(typed.raw("version"));
        try {
            return save(Optional.of(id), form, () -> {
                forms.change(id, edited, form.form());
                return id;
            });
        } catch (OptimisticLockingFailureException e) {
            Map<String, String> marks =
                    EditConflict.marks(EntryFormForm.fields(form.form()), EntryFormForm.fields(find(id).form()));
            return EditConflict.of(page(Optional.of(id), form.form(), marks), "/setup/forms/" + id);
        }
    }

    @PostMapping("/{id}/archive")
    String archive(@PathVariable UUID id, @RequestParam boolean away) {
        find(id);
        forms.archive(id, away);
        return "redirect:/setup/forms";
    }

    private Forms.Stored find(UUID id) {
        return forms.find(id).orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
    }

    private ModelAndView page(Optional<UUID> id, EntryForm form, Map<String, String> faults) {
        return ViewRecord.of(
                "lead/forms/page",
                new FormPage(
                        id,
                        id.map(one -> find(one).version()).orElse(0),
                        forms.list().stream()
                                .anyMatch(one -> one.isArchived()
                                        && id.filter(one.id()::equals).isPresent()),
                        id.map(one -> hosts.defaultHost().origin() + "/t/forms/" + one)
                                .orElse(""),
                        id.map(one -> embedding.markup(Embedding.Kind.FORM, one, form.title())),
                        form,
                        FormField.values(),
                        Purpose.values(),
                        EntryForm.ACCENTS,
                        List.of("off", "asked", "needed"),
                        ConsentPurpose.values(),
                        faults));
    }
}
