package wendo.app.lead.forms;

import java.util.LinkedHashMap;
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
import wendo.app.issue.links.LinkListed;
import wendo.app.issue.links.LinkSaving;
import wendo.app.platform.accounts.Needs;
import wendo.app.platform.accounts.Permission;
import wendo.app.platform.business.EditedVersion;
import wendo.app.platform.site.EditConflict;
import wendo.app.platform.site.InvalidForm;
import wendo.app.platform.site.Texts;
import wendo.app.platform.site.TypedFields;
import wendo.app.platform.site.ViewRecord;

/** Whether, when and how strictly a link shows an entry form. */
@Controller
@RequestMapping("/links/{id}/form")
class LinkFormController {
    private static final int MAX_LOOKS = 20;
    private static final List<String> SHOWS = List.of("never", "first", "after", "own");

    private final Forms forms;
    private final LinkSaving links;

    LinkFormController(Forms forms, LinkSaving links) {
        this.forms = forms;
        this.links = links;
    }

    /** As typed. */
    record Typed(String form, String shows, String looks, String strictness) {
        static Typed of(Forms.Shown shown) {
            return new Typed(
                    shown.form().map(UUID::toString).orElse(""),
                    shown.shows(),
                    String.valueOf(shown.looks()),
                    shown.strictness().key());
        }
    }

    record LinkFormPage(
            LinkListed link,
            int version,
            List<Forms.Listed> forms,
            Strictness[] strictnesses,
            Typed typed,
            Map<String, String> faults) {}

    @GetMapping
    ModelAndView page(@PathVariable UUID id) {
        return page(find(id), Typed.of(forms.of(id)), Map.of());
    }

    private ModelAndView page(LinkListed link, Typed typed, Map<String, String> faults) {
        return ViewRecord.of(
                "lead/forms/link",
                new LinkFormPage(
                        link,
                        forms.shownVersion(link.id()),
                        forms.list().stream().filter(form -> !form.isArchived()).toList(),
                        Strictness.values(),
                        typed,
                        faults));
    }

    @Needs(value = Permission.ISSUE, ofLink = true)
    @PostMapping
    ModelAndView save(@PathVariable UUID id, TypedFields fields) {
        LinkListed link = find(id);
        Typed typed =
                new Typed(fields.text("form"), fields.text("shows"), fields.text("looks"), fields.text("strictness"));
        EditedVersion edited = EditedVersion.of(fields.text("version"));
        Map<String, String> faults = new LinkedHashMap<>();
        Optional<UUID> chosen = forms.list().stream()
                .filter(one -> one.id().toString().equals(typed.form()) && !one.isArchived())
                .map(Forms.Listed::id)
                .findFirst();
        if (!SHOWS.contains(typed.shows())) {
            faults.put("shows", Texts.of("lead.forms.choose-when-to-show-it"));
        } else if (chosen.isEmpty() && !typed.shows().equals("never")) {
            faults.put("form", Texts.of("lead.forms.choose-the-form"));
        }
        boolean isNumber = typed.looks().matches("\\d{1,2}");
        int count = isNumber ? Integer.parseInt(typed.looks()) : 0;
        if (typed.shows().equals("after") && (count < 1 || count > MAX_LOOKS)) {
            faults.put("looks", Texts.of("lead.forms.a-number-of-visits-1", MAX_LOOKS));
        }
        if (!faults.isEmpty()) {
            return InvalidForm.of(page(link, typed, faults));
        }
        Forms.Shown before = forms.of(id);
        try {
            if (chosen.isPresent()) {
                int after = Math.max(1, Math.min(count, MAX_LOOKS));
                forms.show(
                        id, edited, new Forms.Shown(chosen, typed.shows(), after, Strictness.of(typed.strictness())));
            } else if (before.form().isPresent()) {
                forms.show(id, edited, new Forms.Shown(before.form(), "never", 3, Strictness.USUAL));
            }
        } catch (OptimisticLockingFailureException e) {
            Map<String, String> marks = EditConflict.marks(typed, Typed.of(forms.of(id)));
            return EditConflict.of(page(link, typed, marks), "/links/" + id + "/form");
        }
        return new ModelAndView("redirect:/links/" + id + "/form");
    }

    private LinkListed find(UUID id) {
        return links.find(id).orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
    }
}
