package wendo.app.place.subscribers;

import java.time.Clock;
import java.time.Instant;
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
import wendo.app.platform.accounts.CurrentPerson;
import wendo.app.platform.accounts.Needs;
import wendo.app.platform.accounts.Permission;
import wendo.app.platform.business.EditedVersion;
import wendo.app.platform.business.UniqueKey;
import wendo.app.platform.site.EditConflict;
import wendo.app.platform.site.InvalidForm;
import wendo.app.platform.site.Texts;
import wendo.app.platform.site.TypedFields;
import wendo.app.platform.site.ViewRecord;
import wendo.app.visit.sitetag.Embedding;

/** The lists that people can join. */
@Needs(Permission.SET_UP)
@Controller
@RequestMapping("/subscribers/lists")
class NewsletterListController {
    private static final String LIST = "redirect:/subscribers/lists";

    private final NewsletterLists lists;
    private final SubscriberQueries queries;
    private final Embedding embedding;
    private final Clock clock;

    NewsletterListController(NewsletterLists lists, SubscriberQueries queries, Embedding embedding, Clock clock) {
        this.lists = lists;
        this.queries = queries;
        this.embedding = embedding;
        this.clock = clock;
    }

    /** A list and how many are on it. */
    record Shown(NewsletterLists.Listed list, SubscriberQueries.Standing standing) {}

    record ListsPage(List<Shown> lists, ListForm form, Map<String, String> faults) {}

    /** @param address of its sign-up form; empty text while that is closed */
    record ListPage(
            NewsletterLists.Listed list,
            ListForm form,
            int version,
            SubscriberQueries.Standing standing,
            List<SubscriberQueries.Waiting> waiting,
            String address,
            Embedding.Markup markup,
            Map<String, String> faults) {}

    @GetMapping
    ModelAndView all() {
        return all(ListForm.empty(), Map.of());
    }

    private ModelAndView all(ListForm form, Map<String, String> faults) {
        Instant now = clock.instant();
        List<Shown> shown = lists.list().stream()
                .map(list -> new Shown(list, queries.standing(list.id(), now)))
                .toList();
        return ViewRecord.of("place/subscribers/lists", new ListsPage(shown, form, faults));
    }

    @PostMapping
    ModelAndView add(TypedFields typed, CurrentPerson person) {
        ListForm form = ListForm.of(typed);
        Map<String, String> faults = form.faults();
        if (faults.isEmpty() && UniqueKey.refuses(() -> lists.add(form, person.name()))) {
            faults.put("name", Texts.of("place.subscribers.name-taken"));
        }
        return faults.isEmpty() ? new ModelAndView(LIST) : InvalidForm.of(all(form, faults));
    }

    @GetMapping("/{id}")
    ModelAndView page(@PathVariable UUID id) {
        return page(id, stored(id), Map.of());
    }

    private ListForm stored(UUID id) {
        return lists.form(id).orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
    }

    private ModelAndView page(UUID id, ListForm form, Map<String, String> faults) {
        Instant now = clock.instant();
        NewsletterLists.Listed list = lists.find(id).orElseThrow();
        Embedding.Markup markup = embedding.markup(Embedding.Kind.LIST, id, list.name());
        return ViewRecord.of(
                "place/subscribers/newsletter-list",
                new ListPage(
                        list,
                        form,
                        lists.version(id),
                        queries.standing(id, now),
                        queries.waiting(id, now),
                        list.hasForm() ? markup.origin() + "/t/lists/" + id : "",
                        markup,
                        faults));
    }

    @PostMapping("/{id}")
    ModelAndView change(@PathVariable UUID id, TypedFields typed) {
        stored(id);
        ListForm form = ListForm.of(typed);
        Map<String, String> faults = form.faults();
        EditedVersion edited = EditedVersion.of(typed.text("version"));
        try {
            if (faults.isEmpty() && UniqueKey.refuses(() -> lists.change(id, edited, form))) {
                faults.put("name", Texts.of("place.subscribers.name-taken"));
            }
        } catch (OptimisticLockingFailureException e) {
            return EditConflict.of(page(id, form, EditConflict.marks(form, stored(id))), "/subscribers/lists/" + id);
        }
        return faults.isEmpty()
                ? new ModelAndView("redirect:/subscribers/lists/" + id)
                : InvalidForm.of(page(id, form, faults));
    }

    @PostMapping("/{id}/archive")
    String archive(@PathVariable UUID id) {
        stored(id);
        lists.archive(id);
        return LIST;
    }
}
