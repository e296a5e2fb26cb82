package wendo.app.prepare.destinations;

import jakarta.validation.constraints.Size;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
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
import wendo.app.platform.accounts.PageContext;
import wendo.app.platform.accounts.Permission;
import wendo.app.platform.business.Business;
import wendo.app.platform.business.EditedVersion;
import wendo.app.platform.business.UniqueKey;
import wendo.app.platform.site.EditConflict;
import wendo.app.platform.site.FilterValues;
import wendo.app.platform.site.FormRules;
import wendo.app.platform.site.InvalidForm;
import wendo.app.platform.site.Limits;
import wendo.app.platform.site.ListLook;
import wendo.app.platform.site.Texts;
import wendo.app.platform.site.TypedFields;
import wendo.app.platform.site.ViewRecord;
import wendo.core.links.AddressRefused;
import wendo.core.links.WebAddress;

/** The list of destinations, and one destination with its health. */
@Needs(Permission.SET_UP)
@Controller
@RequestMapping("/setup/destinations")
class DestinationController {
    private static final int MAX_REASON = Limits.REASON;

    private final Destinations destinations;
    private final DestinationQueries queries;
    private final DestinationLooks looks;

    DestinationController(Destinations destinations, DestinationQueries queries, DestinationLooks looks) {
        this.destinations = destinations;
        this.queries = queries;
        this.looks = looks;
    }

    /** Where the destination moves to, as it was typed. */
    record Moved(String newAddress, String reason) {}

    record DestinationListPage(
            List<DestinationListed> rows,
            Map<UUID, Long> links,
            String find,
            String rest,
            ListLook look,
            String address,
            String fault) {}

    record DestinationPage(
            DestinationListed destination,
            int version,
            Health health,
            String name,
            String note,
            Map<String, String> faults,
            Long links,
            boolean endsSoon,
            boolean maySetUp) {}

    @GetMapping
    ModelAndView list(TypedFields asked) {
        return list(asked, "", "");
    }

    @PostMapping
    ModelAndView add(@RequestParam String address, TypedFields asked, Business business) {
        try {
            WebAddress page = Destinations.check(address, business, Set.of());
            UUID id = destinations.findOrCreate(page).id();
            looks.look(page, business);
            return new ModelAndView("redirect:/setup/destinations/" + id);
        } catch (AddressRefused e) {
            return InvalidForm.of(list(asked, address, Texts.said(e)));
        }
    }

    @GetMapping("/{id}")
    ModelAndView page(@PathVariable UUID id, CurrentPerson person) {
        DestinationListed destination = find(id);
        return page(destination, Typed.of(destination), Map.of(), person);
    }

    @PostMapping("/{id}")
    ModelAndView describe(@PathVariable UUID id, TypedFields fields, CurrentPerson person) {
        DestinationListed destination = find(id);
        Typed typed = new Typed(fields.text("name"), fields.text("note"));
        Map<String, String> faults = FormRules.faults(typed);
        if (!faults.isEmpty()) {
            return InvalidForm.of(page(destination, typed, faults, person));
        }
        try {
            destinations.describe(id, EditedVersion.of(fields.text("version")), typed.name(), typed.note());
        } catch (OptimisticLockingFailureException e) {
            DestinationListed theirs = find(id);
            Map<String, String> marks = EditConflict.marks(typed, Typed.of(theirs));
            return EditConflict.of(page(theirs, typed, marks, person), "/setup/destinations/" + id);
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
            PageContext context) {
        CurrentPerson person = context.person();
        Business business = context.business();
        person.mustBeAllowedToSetUp();
        DestinationListed destination = find(id);
        Map<String, String> faults = new HashMap<>();
        InvalidForm.tooLong(faults, "reason", reason, MAX_REASON);
        try {
            WebAddress page = Destinations.check(address, business, Set.of());
            if (faults.isEmpty()
                    && UniqueKey.refuses(() -> destinations.move(id, page, person.name(), reason.strip()))) {
                faults.put("address", Texts.of("prepare.destinations.another-destination-has-this-address"));
            }
            looks.look(page, business);
        } catch (AddressRefused e) {
            faults.put("address", Texts.said(e));
        }
        return faults.isEmpty()
                ? new ModelAndView("redirect:/setup/destinations/" + id)
                : InvalidForm.of(ViewRecord.with(
                        page(destination, Typed.of(destination), faults, person), new Moved(address, reason)));
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

    private ModelAndView list(TypedFields asked, String address, String fault) {
        ListLook look = ListLook.of(DestinationColumns.ALL, "health", asked);
        String find = FilterValues.text(asked.text("find"));
        String part = find.toLowerCase(Locale.ROOT);
        Map<UUID, Long> links = queries.links();
        List<DestinationListed> found = destinations.list().stream()
                .filter(one -> (one.label() + ' ' + one.address() + ' ' + one.note())
                        .toLowerCase(Locale.ROOT)
                        .contains(part))
                .toList();
        return ViewRecord.of(
                "prepare/destinations/list",
                new DestinationListPage(
                        look.sorted(found, DestinationColumns.order(look.sorted(), links)),
                        links,
                        find,
                        FilterValues.query(Map.of("find", find)),
                        look,
                        address,
                        fault));
    }

    /** What is said of a destination, as it was typed. */
    private record Typed(
            @Size(max = Destinations.MAX_NAME) String name,
            @Size(max = Destinations.MAX_NOTE) String note) {
        static Typed of(DestinationListed destination) {
            return new Typed(destination.name(), destination.note());
        }
    }

    private ModelAndView page(
            DestinationListed destination, Typed typed, Map<String, String> faults, CurrentPerson person) {
        return ViewRecord.of(
                "prepare/destinations/page",
                new DestinationPage(
                        destination,
                        destinations.version(destination.id()),
                        destination.health(),
                        typed.name(),
                        typed.note(),
                        faults,
                        queries.links().getOrDefault(destination.id(), 0L),
                        looks.endsSoon(destination.health().look()),
                        person.role().maySetUp()));
    }
}
