package wendo.app.networks;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.server.ResponseStatusException;
import org.springframework.web.servlet.ModelAndView;
import wendo.app.accounts.CurrentPerson;
import wendo.app.accounts.Needs;
import wendo.app.accounts.Permission;
import wendo.app.site.Refusal;
import wendo.app.sources.Sources;
import wendo.core.links.SubIdForm;
import wendo.core.outcomes.OutcomeKind;

/** Partner networks: what goes out to each, the address it reports to, and what it reported. */
@Needs(Permission.SET_UP)
@Controller
@RequestMapping("/setup/networks")
class NetworkPages {
    private final Networks networks;
    private final Sources sources;
    private final String origin;

    NetworkPages(Networks networks, Sources sources, @Value("${wendo.origin}") String origin) {
        this.networks = networks;
        this.sources = sources;
        this.origin = origin;
    }

    @GetMapping
    ModelAndView list() {
        return new ModelAndView("networks/list").addObject("networks", networks.list());
    }

    @GetMapping("/new")
    ModelAndView fresh() {
        return page(Optional.empty(), NetworkTyped.empty(), Map.of());
    }

    @GetMapping("/{id}")
    ModelAndView one(@PathVariable UUID id) {
        Network network = find(id);
        return page(Optional.of(network), NetworkTyped.of(network), Map.of());
    }

    @GetMapping("/{id}/received")
    ModelAndView received(@PathVariable UUID id) {
        return new ModelAndView("networks/page :: received")
                .addObject("network", find(id))
                .addObject("received", networks.received(id));
    }

    private Network find(UUID id) {
        return networks.find(id).orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
    }

    private ModelAndView page(Optional<Network> network, NetworkTyped typed, Map<String, String> faults) {
        ModelAndView page = new ModelAndView("networks/page")
                .addObject("typed", typed)
                .addObject("faults", faults)
                .addObject("sources", sources.list())
                .addObject("alphabets", SubIdForm.Alphabet.values())
                .addObject("kinds", OutcomeKind.values())
                .addObject("told", Network.Told.values());
        network.ifPresent(known -> page.addObject("network", known)
                .addObject("address", known.address(origin))
                .addObject("received", networks.received(known.id())));
        return page;
    }

    @PostMapping("/new")
    ModelAndView add(@RequestParam Map<String, String> fields, CurrentPerson person) {
        return keep(Optional.empty(), fields, person);
    }

    @PostMapping("/{id}")
    ModelAndView change(@PathVariable UUID id, @RequestParam Map<String, String> fields, CurrentPerson person) {
        return keep(Optional.of(find(id)), fields, person);
    }

    private ModelAndView keep(Optional<Network> known, Map<String, String> fields, CurrentPerson person) {
        NetworkTyped typed = new NetworkTyped(fields);
        Map<String, String> faults = new LinkedHashMap<>();
        Optional<UUID> kept = typed.check(sources.list(), faults).flatMap(checked -> {
            Optional<UUID> id = networks.keep(known.map(Network::id), checked, person.name());
            if (id.isEmpty()) {
                faults.put("name", "Another network has this name.");
            }
            return id;
        });
        return kept.map(id -> new ModelAndView("redirect:/setup/networks/" + id))
                .orElseGet(() -> Refusal.of(page(known, typed, faults)));
    }

    @PostMapping("/{id}/archive")
    String archive(@PathVariable UUID id, @RequestParam(defaultValue = "true") boolean away, CurrentPerson person) {
        networks.archive(find(id).id(), away, person.name());
        return "redirect:/setup/networks";
    }
}
