package wendo.app.outcome.networks;

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
import wendo.app.platform.site.Texts;
import wendo.app.platform.site.ViewRecord;
import wendo.app.prepare.sources.SourceListed;
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

    /** What is shown of a network that is kept already. */
    record KnownNetwork(Network network, int version, String address, List<Networks.Received> received) {}

    record NetworkReceivedPage(Network network, List<Networks.Received> received) {}

    record NetworkPage(
            NetworkForm typed,
            Map<String, String> faults,
            List<SourceListed> sources,
            SubIdForm.Alphabet[] alphabets,
            OutcomeKind[] kinds,
            Network.Field[] told) {}

    @GetMapping
    ModelAndView list() {
        return new ModelAndView("outcome/networks/list", "networks", networks.list());
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
        return ViewRecord.of(
                "outcome/networks/page :: received", new NetworkReceivedPage(find(id), networks.received(id)));
    }

    private Network find(UUID id) {
        return networks.find(id).orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
    }

    private ModelAndView page(Optional<Network> network, NetworkForm typed, Map<String, String> faults) {
        ModelAndView page = ViewRecord.of(
                "outcome/networks/page",
                new NetworkPage(
                        typed,
                        faults,
                        sources.list(),
                        SubIdForm.Alphabet.values(),
                        OutcomeKind.values(),
                        Network.Field.values()));
        network.ifPresent(known -> ViewRecord.with(
                page,
                new KnownNetwork(
                        known, networks.version(known.id()), known.address(origin), networks.received(known.id()))));
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
                    .orElseGet(() -> InvalidForm.of(page(
                            known, typed, Map.of("name", Texts.of("outcome.networks.another-network-has-this-name")))));
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
