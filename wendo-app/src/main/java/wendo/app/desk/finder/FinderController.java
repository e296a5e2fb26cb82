package wendo.app.desk.finder;

import java.util.List;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.ModelAndView;
import wendo.app.platform.accounts.CurrentPerson;
import wendo.app.platform.accounts.Permission;
import wendo.app.platform.site.ViewRecord;

/** What the finder in the bar finds: while typing, and as a page. */
@Controller
@RequestMapping("/find")
class FinderController {
    private static final int MAX_TEXT = 2000;

    private final FinderQueries queries;

    FinderController(FinderQueries queries) {
        this.queries = queries;
    }

    record FinderPage(List<FinderQueries.Found> found, String find) {}

    /** A pasted link, or a single result, is opened at once. */
    @GetMapping
    ModelAndView page(@RequestParam(defaultValue = "") String find, CurrentPerson person) {
        List<FinderQueries.Found> found = found(find, person);
        List<FinderQueries.Found> exact =
                found.stream().filter(FinderQueries.Found::isExact).toList();
        List<FinderQueries.Found> meant = exact.isEmpty() ? found : exact;
        return meant.size() == 1
                ? new ModelAndView("redirect:" + meant.get(0).path())
                : show("desk/finder/page", found, find);
    }

    @GetMapping("/quick")
    ModelAndView quick(@RequestParam(defaultValue = "") String find, CurrentPerson person) {
        return show("desk/finder/page :: found", found(find, person), find);
    }

    /** Results that the person may not open are left out. */
    private List<FinderQueries.Found> found(String find, CurrentPerson person) {
        return queries.find(cut(find)).stream()
                .filter(one -> !one.isContact() || person.may(Permission.SEE_CONTACTS))
                .filter(one -> !one.isOfSetup() || person.may(Permission.SET_UP))
                .filter(one -> !one.path().startsWith("/setup/") || person.may(Permission.SET_UP))
                .toList();
    }

    private static ModelAndView show(String view, List<FinderQueries.Found> found, String find) {
        return ViewRecord.of(view, new FinderPage(found, cut(find)));
    }

    private static String cut(String text) {
        return text.length() <= MAX_TEXT ? text : text.substring(0, MAX_TEXT);
    }
}
