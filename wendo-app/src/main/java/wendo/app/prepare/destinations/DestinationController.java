package wendo.app.prepare.destinations;

import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
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
import wendo.app.platform.accounts.CurrentPerson;
import wendo.app.platform.accounts.Needs;
import wendo.app.platform.accounts.Permission;
import wendo.app.platform.business.Business;
import wendo.app.platform.business.EditedVersion;
import wendo.app.platform.business.UniqueKey;
import wendo.app.platform.site.EditConflict;
import wendo.app.platform.site.InvalidForm;
import wendo.core.links.AddressRefused;
import wendo.core.links.WebAddress;

/** The list of destinations, and one destination with its health. */
@Needs(Permission.SET_UP)
@Controller
@RequestMapping("/setup/destinations")
class DestinationController {
    private static final int MAX_REASON = 300;

    private final Destinations destinations;
    private final DestinationQueries queries;
    private final DestinationLooks looks;

    DestinationController(Destinations destinations, DestinationQueries queries, DestinationLooks looks) {
        this.destinations = destinations;
        this.queries = queries;
        this.looks = looks;
    }

    @GetMapping
    ModelAndView list() {
        return list("", "");
    }

    @PostMapping
    ModelAndView add(@RequestParam String address, Business business) {
        try {
            WebAddress page = Destinations.check(address, business, Set.of());
            UUID id = destinations.findOrCreate(page).id();
            looks.look(page, business);
            return new ModelAndView("redirect:/setup/destinations/" + id);
        } catch (AddressRefused e) {
            return InvalidForm.of(list(address, String.valueOf(e.getMessage())));
        }
    }

    @GetMapping("/{id}")
    ModelAndView page(@PathVariable UUID id, CurrentPerson person) {
        DestinationListed destination = find(id);
        return page(destination, destination.name(), destination.note(), Map.of(), person);
    }

    @PostMapping("/{id}")
    ModelAndView describe(
            @PathVariable UUID id,
            @RequestParam String name,
            @RequestParam String note,
            @RequestParam(defaultValue = "") String version,
            CurrentPerson person) {
        DestinationListed destination = find(id);
        Map<String, String> faults = new HashMap<>();
        InvalidForm.tooLong(faults, "name", name, Destinations.MAX_NAME);
        InvalidForm.tooLong(faults, "note", note, Destinations.MAX_NOTE);
        if (!faults.isEmpty()) {
            return InvalidForm.of(page(destination, name, note, faults, person));
        }
        try {
            destinations.describe(id, EditedVersion.of(version), name, note);
        } catch (OptimisticLockingFailureException e) {
            DestinationListed theirs = find(id);
            Map<String, String> marks = EditConflict.marks(
                    Map.of("name", name, "note", note), Map.of("name", theirs.name(), "note", theirs.note()));
            return EditConflict.of(page(theirs, name, note, marks, person), "/setup/destinations/" + id);
        }
        return new ModelAndView("redirect:/setup/destinations/" + id);
    }

    @PostMapping("/{id}/look")
    String look(@PathVariable UUID id, Business business) {
        looks.look(WebAddress.of(find(id).address()), business);
        return "redirect:/setup/destinations/" + id;
    }

    @PostMapping("/{id}/move")
    ModelAndView move(
            @PathVariable UUID id,
            @RequestParam String address,
            @RequestParam(defaultValue = "") String reason,
            Business business,
            CurrentPerson person) {
        person.mustBeAllowedToSetUp();
        DestinationListed destination = find(id);
        Map<String, String> faults = new HashMap<>();
        InvalidForm.tooLong(faults, "reason", reason, MAX_REASON);
        try {
            WebAddress page = Destinations.check(address, business, Set.of());
            if (faults.isEmpty()
                    && UniqueKey.refuses(() -> destinations.move(id, page, person.name(), reason.strip()))) {
                faults.put(
                        "address",
                        "Another destination has this address. Lead its links there one by one, or in bulk.");
            }
            looks.look(page, business);
        } catch (AddressRefused e) {
            faults.put("address", String.valueOf(e.getMessage()));
        }
        return faults.isEmpty()
                ? new ModelAndView("redirect:/setup/destinations/" + id)
                : InvalidForm.of(page(destination, destination.name(), destination.note(), faults, person))
                        .addObject("newAddress", address)
                        .addObject("reason", reason);
    }

    @PostMapping("/{id}/archive")
    String archive(@PathVariable UUID id, @RequestParam boolean away, CurrentPerson person) {
        person.mustBeAllowedToSetUp();
        find(id);
        destinations.archive(id, away);
        return "redirect:/setup/destinations/" + id;
    }

    private DestinationListed find(UUID id) {
        return destinations.find(id).orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
    }

    private ModelAndView list(String address, String fault) {
        List<DestinationListed> failingFirst = destinations.list().stream()
                .sorted(Comparator.comparing(
                        (DestinationListed one) -> one.health().isFailing() ? 0 : 1))
                .toList();
        return new ModelAndView("prepare/destinations/list")
                .addObject("rows", failingFirst)
                .addObject("links", queries.links())
                .addObject("address", address)
                .addObject("fault", fault);
    }

    private ModelAndView page(
            DestinationListed destination, String name, String note, Map<String, String> faults, CurrentPerson person) {
        return new ModelAndView("prepare/destinations/page")
                .addObject("destination", destination)
                .addObject("version", destinations.version(destination.id()))
                .addObject("health", destination.health())
                .addObject("name", name)
                .addObject("note", note)
                .addObject("faults", faults)
                .addObject("links", queries.links().getOrDefault(destination.id(), 0L))
                .addObject("endsSoon", looks.endsSoon(destination.health().look()))
                .addObject("maySetUp", person.role().maySetUp());
    }
}
