package wendo.app.outcome.outcomes;

import java.util.List;
import java.util.UUID;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.ModelAndView;
import wendo.app.platform.accounts.CurrentPerson;
import wendo.app.platform.accounts.Needs;
import wendo.app.platform.accounts.Permission;
import wendo.app.platform.business.UniqueKey;
import wendo.app.platform.site.ViewRecord;

/** Outcomes to review. */
@Needs(Permission.SET_UP)
@Controller
@RequestMapping("/outcomes/review")
class ReviewController {
    private static final String BACK = "redirect:/outcomes/review";

    private final OutcomeReviews reviews;

    ReviewController(OutcomeReviews reviews) {
        this.reviews = reviews;
    }

    record ReviewPage(List<OutcomeReviews.Waiting> waiting, long all, List<String> sites) {}

    @GetMapping
    ModelAndView list() {
        List<OutcomeReviews.Waiting> waiting = reviews.waiting();
        return ViewRecord.of(
                "outcome/outcomes/review",
                new ReviewPage(
                        waiting,
                        reviews.count(),
                        waiting.stream()
                                .map(OutcomeReviews.Waiting::site)
                                .filter(site -> !site.isEmpty())
                                .distinct()
                                .toList()));
    }

    @PostMapping("/{id}/accept")
    String accept(@PathVariable UUID id, CurrentPerson person) {
        reviews.accept(id, person.name());
        return BACK;
    }

    @PostMapping("/{id}/discard")
    String discard(@PathVariable UUID id, CurrentPerson person) {
        reviews.discard(id, person.name());
        return BACK;
    }

    /** {@code shown} names those that the page showed: what came meanwhile is not decided unseen. */
    @PostMapping("/all")
    String all(
            @RequestParam(defaultValue = "") List<UUID> shown,
            @RequestParam(defaultValue = "") String what,
            CurrentPerson person) {
        for (UUID id : shown.stream().limit(OutcomeReviews.MOST).toList()) {
            if (what.equals("accept")) {
                reviews.accept(id, person.name());
            } else if (what.equals("discard")) {
                reviews.discard(id, person.name());
            }
        }
        return BACK;
    }

    @PostMapping("/trust")
    String trust(@RequestParam(defaultValue = "") String site, CurrentPerson person) {
        if (reviews.waiting().stream()
                .anyMatch(one -> !site.isEmpty() && one.site().equals(site))) {
            Runnable trusting = () -> reviews.trust(site, person.name());
            if (UniqueKey.refuses(trusting)) { // pressed twice at once
                trusting.run();
            }
        }
        return BACK;
    }
}
