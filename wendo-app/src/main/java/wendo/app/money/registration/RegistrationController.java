package wendo.app.money.registration;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
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
import wendo.app.issue.links.Links;
import wendo.app.money.partners.Partners;
import wendo.app.platform.accounts.Needs;
import wendo.app.platform.accounts.PageContext;
import wendo.app.platform.accounts.Permission;
import wendo.app.platform.business.UniqueKey;
import wendo.app.platform.site.FilterValues;
import wendo.app.platform.site.Installation;
import wendo.app.platform.site.InvalidForm;
import wendo.app.platform.site.Limits;
import wendo.app.platform.site.Texts;
import wendo.app.platform.site.TypedFields;
import wendo.app.platform.site.ViewRecord;
import wendo.app.prepare.destinations.DestinationListed;
import wendo.app.prepare.destinations.Destinations;
import wendo.app.prepare.evidence.SourceCodes;
import wendo.app.prepare.sources.Sources;
import wendo.core.links.Channel;

/** Partners who registered themselves: who waits, and the form that they fill in. */
@Controller
@Needs(Permission.SET_UP)
@RequestMapping("/partners/registrations")
class RegistrationController {
    private final Registrations registrations;
    private final Partners partners;
    private final Destinations destinations;
    private final SourceCodes codes;
    private final Links links;
    private final Installation installation;

    RegistrationController(
            Registrations registrations,
            Partners partners,
            Destinations destinations,
            SourceCodes codes,
            Links links,
            Installation installation) {
        this.registrations = registrations;
        this.partners = partners;
        this.destinations = destinations;
        this.codes = codes;
        this.links = links;
        this.installation = installation;
    }

    /**
     * What the page shows.
     *
     * @param address of the public form; empty text while it is closed
     * @param refused whose approval was refused, if one was
     */
    record RegistrationsPage(
            String address,
            String words,
            List<Registrations.Waiting> waiting,
            List<DestinationListed> destinations,
            List<Partners.Named> partners,
            Optional<UUID> refused,
            Map<String, String> typed,
            Map<String, String> faults) {}

    @GetMapping
    ModelAndView page() {
        return page(Optional.empty(), Map.of(), Map.of());
    }

    @PostMapping("/page")
    ModelAndView open(TypedFields typed) {
        Map<String, String> faults = new LinkedHashMap<>();
        InvalidForm.tooLong(faults, "words", typed.text("words"), Limits.NOTE);
        if (!faults.isEmpty()) {
            return InvalidForm.of(page(Optional.empty(), typed.firstValues(), faults));
        }
        registrations.open(!typed.is("page", "close"), typed.text("words"));
        return new ModelAndView("redirect:/partners/registrations");
    }

    @PostMapping("/{id}/decline")
    String decline(@PathVariable UUID id, PageContext context) {
        registrations.decline(id, context.person().name());
        return "redirect:/partners/registrations";
    }

    /** One step after the other, for unique keys may refuse each; who tries again goes on where it stopped. */
    @PostMapping("/{id}/approve")
    ModelAndView approve(@PathVariable UUID id, TypedFields typed, PageContext context) {
        Map<String, String> faults = new LinkedHashMap<>();
        String by = context.person().name();
        Optional<UUID> partner = partner(id, typed, by, faults);
        if (partner.isPresent()) {
            String code = typed.text("code");
            if (!code.isEmpty()) {
                codes.add(partner.get(), code, by).ifPresent(fault -> faults.put("code", fault));
            }
            String link = faults.isEmpty() ? link(partner.get(), typed, by, faults) : "";
            if (faults.isEmpty()) {
                registrations.approve(id, new Registrations.Welcome(link, code), by);
                return new ModelAndView("redirect:/partners/" + partner.get());
            }
        }
        return InvalidForm.of(page(Optional.of(id), typed.firstValues(), faults));
    }

    private Optional<UUID> partner(UUID id, TypedFields typed, String by, Map<String, String> faults) {
        String name = typed.text("name");
        Optional<String> fault = Sources.refusal(name).or(() -> partners.refusal(name));
        Optional<UUID> known = registrations.known(id);
        if (known.isPresent()) {
            return known;
        }
        fault.ifPresent(said -> faults.put("name", said));
        if (fault.isPresent()) {
            return Optional.empty();
        }
        Optional<Optional<UUID>> made =
                UniqueKey.stored(() -> registrations.partner(id, name, FilterValues.id(typed.text("terms")), by));
        if (made.isEmpty()) {
            faults.put("name", Texts.of("money.partners.partner-already", name));
            return Optional.empty();
        }
        if (made.get().isEmpty()) {
            throw new ResponseStatusException(HttpStatus.NOT_FOUND);
        }
        return made.get();
    }

    /** The address of a new link, or empty text if none is wanted. */
    private String link(UUID partner, TypedFields typed, String by, Map<String, String> faults) {
        Optional<DestinationListed> to =
                FilterValues.id(typed.text("destination")).flatMap(destinations::find);
        if (to.isEmpty()) {
            return "";
        }
        Links.Issued issued = links.issue(
                to.get().address(),
                Texts.kept("money.registration.campaign"),
                List.of(new Links.Wish(partners.name(partner), Channel.PARTNER, "")),
                by);
        if (issued instanceof Links.Issued.Done done) {
            return done.links().get(0).url();
        }
        ((Links.Issued.Refused) issued).faults().forEach(fault -> faults.put("destination", fault.message()));
        return "";
    }

    private ModelAndView page(Optional<UUID> refused, Map<String, String> typed, Map<String, String> faults) {
        Registrations.Page page = registrations.page();
        return ViewRecord.of(
                "money/registration/page",
                new RegistrationsPage(
                        page.token()
                                .map(token -> installation.origin() + "/t/partner-registration/" + token)
                                .orElse(""),
                        faults.containsKey("words") ? typed.getOrDefault("words", "") : page.words(),
                        registrations.waiting(),
                        destinations.list(),
                        partners.named(),
                        refused,
                        typed,
                        faults));
    }
}
