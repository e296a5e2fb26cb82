package wendo.app.platform.people;

import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.server.ResponseStatusException;
import org.springframework.web.servlet.ModelAndView;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;
import wendo.app.platform.accounts.Accounts;
import wendo.app.platform.accounts.Colleague;
import wendo.app.platform.accounts.Confirmed;
import wendo.app.platform.accounts.CurrentPerson;
import wendo.app.platform.accounts.Needs;
import wendo.app.platform.accounts.Permission;
import wendo.app.platform.accounts.Role;
import wendo.app.platform.business.UniqueKey;
import wendo.app.platform.site.Installation;
import wendo.app.platform.site.InvalidForm;
import wendo.app.platform.site.Texts;
import wendo.app.platform.site.ViewRecord;
import wendo.core.media.EmailAddress;

/** Who works for the business, and what they may do there. */
@Needs(Permission.OWN)
@Controller
@RequestMapping("/setup/people")
class PeopleController {
    private static final String BACK = "redirect:/setup/people";

    private final Accounts accounts;
    private final Colleagues people;
    private final Invitations invitations;
    private final Installation installation;

    PeopleController(Accounts accounts, Colleagues people, Invitations invitations, Installation installation) {
        this.accounts = accounts;
        this.people = people;
        this.invitations = invitations;
        this.installation = installation;
    }

    record PeoplePage(
            List<Colleague> people,
            UUID self,
            List<Invitations.Shown> invitations,
            Role[] roles,
            Permission[] permissions,
            boolean sendsMail,
            boolean needsSecondFactor,
            Map<UUID, Boolean> secondFactors,
            String email,
            Role role,
            Map<String, String> faults) {}

    record HandingOnPage(Colleague colleague) {}

    record LeavingPage(Colleague colleague, List<Colleague> others, Colleagues.Owned owned) {}

    @GetMapping
    ModelAndView page(CurrentPerson person) {
        return page(person, "", Role.STAFF, Map.of());
    }

    private ModelAndView page(CurrentPerson person, String email, Role role, Map<String, String> faults) {
        List<Colleague> colleagues = accounts.colleagues();
        return ViewRecord.of(
                "platform/people/page",
                new PeoplePage(
                        colleagues,
                        person.id(),
                        invitations.open(),
                        Role.values(),
                        Permission.values(),
                        !installation.mail().host().isEmpty(),
                        people.needsSecondFactor(),
                        people.secondFactors(colleagues),
                        email,
                        role,
                        faults));
    }

    @Confirmed
    @PostMapping("/invite")
    ModelAndView invite(
            @RequestParam String email,
            @RequestParam(defaultValue = "staff") String role,
            CurrentPerson person,
            RedirectAttributes notes) {
        String wanted = email.strip().toLowerCase(Locale.ROOT);
        Role as = role(role);
        Map<String, String> faults = new HashMap<>();
        if (EmailAddress.find(wanted).isEmpty()) {
            faults.put("email", Texts.of("platform.accounts.no-email"));
        } else if (accounts.colleagues().stream().anyMatch(one -> one.email().equals(wanted))) {
            faults.put("email", Texts.of("platform.people.works-here"));
        }
        Optional<String> address = faults.isEmpty()
                ? UniqueKey.stored(() -> invitations.invite(wanted, as, person.name()))
                : Optional.empty();
        if (address.isEmpty() && faults.isEmpty()) {
            faults.put("email", Texts.of("platform.people.invited-already"));
        }
        if (!faults.isEmpty()) {
            return InvalidForm.of(page(person, email, as, faults));
        }
        tell(notes, wanted, address.get());
        return new ModelAndView(BACK);
    }

    /** The address is shown once: it can be handed over in any other way than by mail. */
    private static void tell(RedirectAttributes notes, String email, String address) {
        notes.addFlashAttribute("said", Texts.of("platform.people.invited", email));
        notes.addFlashAttribute("address", address);
    }

    private static Role role(String key) {
        return java.util.Arrays.stream(Role.values())
                .filter(one -> one.key().equals(key))
                .findFirst()
                .orElseThrow(() -> new ResponseStatusException(HttpStatus.BAD_REQUEST));
    }

    @Confirmed
    @PostMapping("/invitations/{id}/again")
    String inviteAgain(@PathVariable UUID id, CurrentPerson person, RedirectAttributes notes) {
        Invitations.Shown invitation = invitations.open().stream()
                .filter(one -> one.id().equals(id))
                .findFirst()
                .orElseThrow(PeopleController::absent);
        tell(notes, invitation.email(), invitations.sendAgain(id, person.name()).orElseThrow(PeopleController::absent));
        return BACK;
    }

    @PostMapping("/invitations/{id}/revoke")
    String revoke(@PathVariable UUID id) {
        if (!invitations.revoke(id)) {
            throw absent();
        }
        return BACK;
    }

    @Confirmed
    @PostMapping("/{id}/role")
    String change(@PathVariable UUID id, @RequestParam String role, RedirectAttributes notes) {
        Colleague one = colleague(id);
        notes.addFlashAttribute(
                "said",
                accounts.change(id, role(role))
                        ? Texts.of("platform.people.role-changed", one.name(), Texts.of("platform.people.role", role))
                        : Texts.of("platform.people.last-owner"));
        return BACK;
    }

    @GetMapping("/{id}/own")
    ModelAndView handingOn(@PathVariable UUID id) {
        return ViewRecord.of("platform/people/own", new HandingOnPage(colleague(id)));
    }

    /** Hands the business on: they own it, and whoever did so is a manager. */
    @Confirmed
    @PostMapping("/{id}/own")
    String handOn(@PathVariable UUID id, CurrentPerson person, RedirectAttributes notes) {
        Colleague one = colleague(id);
        people.handOn(id, person.id());
        notes.addFlashAttribute("said", Texts.of("platform.people.handed-on", one.name()));
        return "redirect:/today";
    }

    @GetMapping("/{id}/leave")
    ModelAndView leaving(@PathVariable UUID id) {
        Colleague one = colleague(id);
        return ViewRecord.of(
                "platform/people/leave",
                new LeavingPage(
                        one,
                        accounts.colleagues().stream()
                                .filter(other -> !other.id().equals(id))
                                .toList(),
                        people.owned(id)));
    }

    @Confirmed
    @PostMapping("/{id}/leave")
    String leave(
            @PathVariable UUID id,
            @RequestParam(defaultValue = "") String successor,
            CurrentPerson person,
            RedirectAttributes notes) {
        Colleague one = colleague(id);
        Optional<UUID> to = accounts.colleagues().stream()
                .map(Colleague::id)
                .filter(other -> other.toString().equals(successor) && !other.equals(id))
                .findFirst();
        if (!people.leave(id, to)) {
            notes.addFlashAttribute("said", Texts.of("platform.people.last-owner"));
            return BACK;
        }
        notes.addFlashAttribute("said", Texts.of("platform.people.left", one.name()));
        return id.equals(person.id()) ? "redirect:/sign-in" : BACK;
    }

    @Confirmed
    @PostMapping("/second-factor")
    String needSecondFactor(@RequestParam(defaultValue = "no") String needed) {
        people.needSecondFactor(needed.equals("yes"));
        return BACK;
    }

    private Colleague colleague(UUID id) {
        return accounts.colleagues().stream()
                .filter(one -> one.id().equals(id))
                .findFirst()
                .orElseThrow(PeopleController::absent);
    }

    private static ResponseStatusException absent() {
        return new ResponseStatusException(HttpStatus.NOT_FOUND);
    }
}
