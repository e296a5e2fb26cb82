package wendo.app.platform.people;

import jakarta.servlet.http.HttpServletRequest;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.ModelAndView;
import wendo.app.platform.accounts.Accounts;
import wendo.app.platform.accounts.Colleague;
import wendo.app.platform.accounts.Confirmed;
import wendo.app.platform.accounts.CurrentPerson;
import wendo.app.platform.accounts.Needs;
import wendo.app.platform.accounts.Permission;
import wendo.app.platform.accounts.Role;
import wendo.app.platform.site.FilterValues;
import wendo.app.platform.site.InvalidForm;
import wendo.app.platform.site.Texts;
import wendo.app.platform.site.ViewRecord;

/** Somebody leaves the business that they work in, by themselves. */
@Needs(Permission.SEE)
@Controller
@RequestMapping("/account/leave")
class LeavingController {
    private final Accounts accounts;
    private final Colleagues people;

    LeavingController(Accounts accounts, Colleagues people) {
        this.accounts = accounts;
        this.people = people;
    }

    record OwnLeavingPage(List<Colleague> others, Colleagues.Owned owned, boolean isLastOwner, String fault) {}

    @GetMapping
    ModelAndView page(CurrentPerson person) {
        return page(person, "");
    }

    private ModelAndView page(CurrentPerson person, String fault) {
        List<Colleague> others = accounts.colleagues().stream()
                .filter(one -> !one.id().equals(person.id()))
                .toList();
        boolean isLastOwner = person.role() == Role.OWNER && others.stream().noneMatch(one -> one.role() == Role.OWNER);
        return ViewRecord.of(
                "platform/people/leaving", new OwnLeavingPage(others, people.owned(person.id()), isLastOwner, fault));
    }

    /** Their sessions end with it; they sign in again to what else they work for. */
    @Confirmed
    @PostMapping
    ModelAndView leave(
            @RequestParam(defaultValue = "") String successor, CurrentPerson person, HttpServletRequest request) {
        Optional<UUID> to = FilterValues.id(successor)
                .filter(id -> !id.equals(person.id()))
                .filter(id ->
                        accounts.colleagues().stream().anyMatch(one -> one.id().equals(id)));
        if (!people.leave(person.id(), to)) {
            return InvalidForm.of(page(person, Texts.of("platform.people.last-owner")));
        }
        request.getSession().invalidate();
        return new ModelAndView("redirect:/sign-in");
    }
}
