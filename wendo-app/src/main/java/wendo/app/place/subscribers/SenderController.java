package wendo.app.place.subscribers;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
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
import wendo.app.platform.accounts.Needs;
import wendo.app.platform.accounts.Permission;
import wendo.app.platform.business.EditedVersion;
import wendo.app.platform.site.EditConflict;
import wendo.app.platform.site.InvalidForm;
import wendo.app.platform.site.Texts;
import wendo.app.platform.site.TypedFields;
import wendo.app.platform.site.ViewRecord;

/** The systems that the business sends its newsletters with: their placeholder, and the file of subscribers they take. */
@Needs(Permission.SET_UP)
@Controller
@RequestMapping("/subscribers/senders")
class SenderController {
    private final Senders senders;

    SenderController(Senders senders) {
        this.senders = senders;
    }

    record SendersPage(List<Senders.Listed> senders, String name, String placeholder, Map<String, String> faults) {}

    record SenderPage(
            Senders.Listed sender,
            SenderFile file,
            int version,
            SubscriberField[] choices,
            SenderFile.DateStyle[] styles,
            List<String> separators,
            Map<String, String> faults) {}

    @GetMapping
    ModelAndView list() {
        return list("", "", Map.of());
    }

    private ModelAndView list(String name, String placeholder, Map<String, String> faults) {
        return ViewRecord.of("place/subscribers/senders", new SendersPage(senders.list(), name, placeholder, faults));
    }

    @PostMapping
    ModelAndView add(TypedFields typed) {
        String name = typed.text("name");
        String placeholder = typed.text("placeholder");
        Map<String, String> faults = senders.add(name, placeholder);
        return faults.isEmpty()
                ? new ModelAndView("redirect:/subscribers/senders")
                : InvalidForm.of(list(name, placeholder, faults));
    }

    @GetMapping({"/{id}", "/{id}/first-line"})
    ModelAndView page(@PathVariable UUID id) {
        return page(id, stored(id), Map.of());
    }

    private SenderFile stored(UUID id) {
        return senders.file(id).orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
    }

    private ModelAndView page(UUID id, SenderFile file, Map<String, String> faults) {
        Senders.Listed sender = senders.list().stream()
                .filter(one -> one.id().equals(id))
                .findFirst()
                .orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
        return ViewRecord.of(
                "place/subscribers/sender",
                new SenderPage(
                        sender,
                        file,
                        senders.version(id),
                        SubscriberField.values(),
                        SenderFile.DateStyle.values(),
                        SenderFile.SEPARATORS,
                        faults));
    }

    /** The headings of its file, pasted: what each usually means is offered, to be saved. */
    @PostMapping("/{id}/first-line")
    ModelAndView read(@PathVariable UUID id, TypedFields typed) {
        SenderFile stored = stored(id);
        List<SenderFile.Column> columns =
                SenderFile.columns(typed.raw("firstLine").lines().findFirst().orElse(""));
        if (columns.stream().noneMatch(one -> one.field() == SubscriberField.EMAIL)) {
            String fault = Texts.of(
                    columns.isEmpty() ? "place.subscribers.no-headings" : "place.subscribers.no-heading-for-e-mail");
            return InvalidForm.of(page(
                    id,
                    columns.isEmpty() ? stored : new SenderFile(columns, stored.dates(), stored.separator()),
                    Map.of("firstLine", fault)));
        }
        return page(id, new SenderFile(columns, stored.dates(), stored.separator()), Map.of());
    }

    @PostMapping("/{id}")
    ModelAndView save(@PathVariable UUID id, TypedFields typed) {
        stored(id);
        List<String> headings = typed.all("heading");
        List<String> fields = typed.all("field");
        List<SenderFile.Column> columns = new ArrayList<>();
        for (int at = 0; at < Math.min(Math.min(headings.size(), fields.size()), SenderFile.MOST_COLUMNS); at++) {
            columns.add(new SenderFile.Column(
                    headings.get(at).strip(),
                    SubscriberField.find(fields.get(at)).orElse(SubscriberField.NOTHING)));
        }
        String separator = typed.raw("separator");
        SenderFile file = new SenderFile(
                columns,
                SenderFile.DateStyle.of(typed.text("dates")),
                SenderFile.SEPARATORS.contains(separator) ? separator : ",");
        if (columns.stream().noneMatch(one -> one.field() == SubscriberField.EMAIL)) {
            return InvalidForm.of(
                    page(id, file, Map.of("columns", Texts.of("place.subscribers.no-heading-for-e-mail"))));
        }
        try {
            senders.take(id, EditedVersion.of(typed.text("version")), file);
        } catch (OptimisticLockingFailureException e) {
            return EditConflict.of(page(id, file, Map.of()), "/subscribers/senders/" + id);
        }
        return new ModelAndView("redirect:/subscribers/senders/" + id);
    }

    @PostMapping("/{id}/remove")
    String remove(@PathVariable UUID id) {
        senders.remove(id);
        return "redirect:/subscribers/senders";
    }
}
