package wendo.app.place.subscribers;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.servlet.ModelAndView;
import wendo.app.platform.business.BusinessId;
import wendo.app.platform.business.BusinessScope;
import wendo.app.platform.business.UniqueKey;
import wendo.app.platform.site.ViewRecord;

/** Where the mail leads that asks whether it was they who subscribed. Opening it does nothing: scanners open everything. */
@Controller
@RequestMapping("/t/join/{request}")
class ConfirmController {
    private final Joining joining;
    private final OpenLists open;
    private final BusinessScope scope;

    ConfirmController(Joining joining, OpenLists open, BusinessScope scope) {
        this.joining = joining;
        this.open = open;
        this.scope = scope;
    }

    record ConfirmPage(String business, String promise) {}

    record JoinedPage(String business, String promise, String onward, boolean isPart) {}

    @GetMapping
    ModelAndView ask(@PathVariable("request") UUID id, HttpServletRequest request, HttpServletResponse response) {
        return open.page(
                open.businessOfRequest(id),
                request,
                response,
                business -> scope.within(business, () -> joining.wordsOf(id))
                        .map(words -> ViewRecord.of(
                                "place/subscribers/open-confirm", new ConfirmPage(open.businessName(business), words)))
                        .orElseGet(OpenLists::over));
    }

    @PostMapping
    ModelAndView confirm(@PathVariable("request") UUID id, HttpServletRequest request, HttpServletResponse response) {
        return open.page(
                open.businessOfRequest(id),
                request,
                response,
                business -> confirmed(business, id)
                        .map(list -> ViewRecord.of(
                                "place/subscribers/open-joined",
                                new JoinedPage(open.businessName(business), list.promise(), list.onward(), false)))
                        .orElseGet(OpenLists::over));
    }

    private Optional<NewsletterLists.Listed> confirmed(BusinessId business, UUID id) {
        return UniqueKey.stored(() -> scope.within(business, () -> joining.confirm(id)))
                .orElseGet(() -> scope.within(business, () -> joining.confirm(id)));
    }
}
