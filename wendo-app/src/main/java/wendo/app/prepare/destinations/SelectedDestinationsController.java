package wendo.app.prepare.destinations;

import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.server.ResponseStatusException;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;
import wendo.app.platform.accounts.Needs;
import wendo.app.platform.accounts.Permission;
import wendo.app.platform.business.Business;
import wendo.app.platform.site.FilterValues;
import wendo.app.platform.site.ListLook;
import wendo.app.platform.site.Texts;
import wendo.app.platform.site.TypedFields;
import wendo.core.links.WebAddress;

/** Many destinations at once: checked now, archived, restored. */
@Needs(Permission.SET_UP)
@Controller
class SelectedDestinationsController {
    private static final int MOST_AT_ONCE = 1000;

    /** Each is asked for while somebody waits. */
    private static final int MOST_CHECKED = 20;

    private final Destinations destinations;
    private final DestinationLooks looks;

    SelectedDestinationsController(Destinations destinations, DestinationLooks looks) {
        this.destinations = destinations;
        this.looks = looks;
    }

    @PostMapping("/setup/destinations/selected")
    String change(TypedFields typed, Business business, RedirectAttributes notes) {
        List<DestinationListed> chosen = typed.ids("destination", MOST_AT_ONCE).stream()
                .map(id -> destinations.find(id).orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND)))
                .toList();
        List<UUID> ids = chosen.stream().map(DestinationListed::id).toList();
        String said;
        if (chosen.isEmpty()) {
            said = Texts.of("prepare.destinations.select-destinations-first");
        } else if (typed.is("what", "check")) {
            chosen.stream().limit(MOST_CHECKED).forEach(one -> looks.look(WebAddress.of(one.address()), business));
            said = Texts.of("prepare.destinations.checked-many", Math.min(chosen.size(), MOST_CHECKED));
        } else if (typed.is("what", "restore")) {
            ids.forEach(id -> destinations.archive(id, false));
            said = Texts.of("prepare.destinations.restored-many", ids.size());
        } else {
            ids.forEach(id -> destinations.archive(id, true));
            notes.addFlashAttribute("archived", ids);
            said = Texts.of("prepare.destinations.archived-many", ids.size());
        }
        notes.addFlashAttribute("said", said);
        String back = ListLook.of(DestinationColumns.ALL, "health", typed)
                .behind(FilterValues.query(Map.of("find", FilterValues.text(typed.text("find")))));
        return "redirect:/setup/destinations" + (back.isEmpty() ? "" : "?" + back);
    }
}
