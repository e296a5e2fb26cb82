package wendo.app.outcome.networks;

import java.util.LinkedHashMap;
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
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.server.ResponseStatusException;
import org.springframework.web.servlet.ModelAndView;
import wendo.app.platform.accounts.CurrentPerson;
import wendo.app.platform.accounts.Needs;
import wendo.app.platform.accounts.Permission;
import wendo.app.platform.business.EditedVersion;
import wendo.app.platform.business.UniqueKey;
import wendo.app.platform.site.EditConflict;
import wendo.app.platform.site.Installation;
import wendo.app.platform.site.InvalidForm;
import wendo.app.prepare.sources.Sources;
import wendo.core.links.SubIdForm;
import wendo.core.outcomes.OutcomeKind;

/** Partner networks: what goes out to each, the address it reports to, and what it reported. */
@Needs(Permission.SET_UP)
@Controller
@RequestMapping("/setup/networks")
class NetworkController {
    private final Networks networks;
    private final Sources sources;
    private final String origin;

    NetworkController(Networks networks, Sources sources, Installation installation) {
        this.networks = networks;
        this.sources = sources;
        this.origin = installation.origin();
    }

    @GetMapping
    ModelAndView list() {
        return new ModelAndView("outcome/networks/list").addObject("networks", networks.list());
    }

    @GetMapping("/new")
    ModelAndView fresh() {
        return page(Optional.empty(), NetworkForm.empty(), Map.of());
    }

    @GetMapping("/{id}")
    ModelAndView one(@PathVariable UUID id) {
        Network network = find(id);
        return page(Optional.of(network), NetworkForm.of(network), Map.of());
    }

    @GetMapping("/{id}/received")
    ModelAndView received(@PathVariable UUID id) {
        return new ModelAndView("outcome/networks/page :: received")
                .addObject("network", find(id))
                .addObject("received", networks.received(id));
    }

    private Network find(UUID id) {
        return networks.find(id).orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
    }

    private ModelAndView page(Optional<Network> network, NetworkForm typed, Map<String, String> faults) {
        ModelAndView page = new ModelAndView("outcome/networks/page")
                .addObject("typed", typed)
                .addObject("faults", faults)
                .addObject("sources", sources.list())
                .addObject("alphabets", SubIdForm.Alphabet.values())
                .addObject("kinds", OutcomeKind.values())
                .addObject("told", Network.Field.values());
        network.ifPresent(known -> page.addObject("network", known)
                .addObject("version", networks.version(known.id()))
                .addObject("address", known.address(origin))
                .addObject("received", networks.received(known.id())));
        return page;
    }

    @PostMapping("/new")
    ModelAndView add(@RequestParam Map<String, String> fields, CurrentPerson person) {
        return save(Optional.empty(), fields, person);
    }

    @PostMapping("/{id}")
    ModelAndView change(@PathVariable UUID id, @RequestParam Map<String, String> fields, CurrentPerson person) {
        return save(Optional.of(find(id)), fields, person);
    }

    private ModelAndView save(Optional<Network> known, Map<String, String> fields, CurrentPerson person) {
        NetworkForm typed = new NetworkForm(fields);
        Map<String, String> faults = new LinkedHashMap<>();
        Optional<NetworkForm.Checked> checked = typed.check(sources.list(), faults);
        if (checked.isEmpty()) {
            return InvalidForm.of(page(known, typed, faults));
        }
        EditedVersion edited = EditedVersion.of(fields.getOrDefault("version", ""));
        try {
            return UniqueKey.stored(() -> networks.save(known.map(Network::id), edited, checked.get(), person.name()))
                    .map(id -> new ModelAndView("redirect:/setup/networks/" + id))
                    .orElseGet(
                            () -> InvalidForm.of(page(known, typed, Map.of("name", "Another network has this name."))));
        } catch (OptimisticLockingFailureException e) {
            Network theirs = find(known.orElseThrow().id());
            Map<String, String> marks =
                    EditConflict.marks(fields, NetworkForm.of(theirs).fields());
            return EditConflict.of(page(known, typed, marks), "/setup/networks/" + theirs.id());
        }
    }

    @PostMapping("/{id}/archive")
    String archive(@PathVariable UUID id, @RequestParam(defaultValue = "true") boolean away, CurrentPerson person) {
        networks.archive(find(id).id(), away, person.name());
        return "redirect:/setup/networks";
    }
}
