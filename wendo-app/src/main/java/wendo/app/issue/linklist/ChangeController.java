package wendo.app.issue.linklist;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.server.ResponseStatusException;
import org.springframework.web.servlet.ModelAndView;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;
import wendo.app.issue.links.LinkChangeLog;
import wendo.app.issue.links.LinkChanges;
import wendo.app.platform.accounts.CurrentPerson;
import wendo.app.platform.accounts.Needs;
import wendo.app.platform.accounts.PageContext;
import wendo.app.platform.accounts.Permission;
import wendo.app.platform.site.FilterValues;
import wendo.app.platform.site.Texts;
import wendo.app.platform.site.TypedFields;

/** Changes of many links at once, and their undoing. */
@Needs(Permission.SET_UP)
@Controller
@RequestMapping("/links/changes")
class ChangeController {
    private static final int SHOWN = 100;

    private final LinkChanges changes;
    private final LinkChangeLog log;
    private final ChangeForm form;
    private final ListQueries queries;

    ChangeController(LinkChanges changes, LinkChangeLog log, ChangeForm form, ListQueries queries) {
        this.changes = changes;
        this.log = log;
        this.form = form;
        this.queries = queries;
    }

    @GetMapping
    ModelAndView list() {
        return new ModelAndView("issue/linklist/changes", "changes", log.latest(SHOWN));
    }

    /** {@code all} means all that the list's filter lets through, not just those of one page. */
    @PostMapping
    String change(TypedFields typed, PageContext context, RedirectAttributes notes) {
        ChangeForm.Typed wish = new ChangeForm.Typed(
                typed.text("what"),
                typed.text("label"),
                typed.text("owner"),
                typed.text("address"),
                typed.text("reason"));
        LinkFilter filter = LinkFilter.ofQuery(typed.raw("query"));
        List<UUID> ticked = typed.all("link").stream()
                .flatMap(id -> FilterValues.id(id).stream())
                .toList();
        List<UUID> wanted = typed.is("all", "yes") ? queries.ids(filter, LinkChanges.MOST_LINKS) : ticked;
        ChangeForm.Read read = form.read(wish, wanted.size(), context.business());
        if (read.change().isEmpty()) {
            notes.addFlashAttribute("fault", read.fault());
            notes.addFlashAttribute("ticked", ticked);
        } else {
            Optional<LinkChanges.Made> made = changes.make(
                    wanted, read.change().get(), read.said(), context.person().name());
            notes.addFlashAttribute("made", made.map(List::of).orElse(List.of()));
        }
        return "redirect:/links?" + filter.query();
    }

    @PostMapping("/{id}/undo")
    String undo(@PathVariable UUID id, CurrentPerson person, RedirectAttributes notes) {
        LinkChanges.Undone undone =
                changes.undo(id, person.name()).orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
        notes.addFlashAttribute(
                "said",
                List.of(
                        undone.back() == 1
                                ? Texts.of("issue.linklist.1-link-is-as-it")
                                : Texts.of("issue.linklist.links-are-as-they-were", undone.back()),
                        undone.left() == 0
                                ? ""
                                : Texts.of("issue.linklist.were-changed-by-somebody-since", undone.left())));
        return "redirect:/links";
    }
}
