package wendo.app.place.subscribers;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import java.util.function.BiFunction;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.servlet.ModelAndView;
import wendo.app.platform.business.BusinessId;
import wendo.app.platform.business.BusinessScope;
import wendo.app.platform.business.UniqueKey;
import wendo.app.platform.sending.Outbox;
import wendo.app.platform.site.TypedFields;
import wendo.app.platform.site.ViewRecord;
import wendo.core.media.EmailAddress;

/** Where whoever got a mail chooses what they get from now on. The mail's identifier is the key to it. */
@Controller
@RequestMapping("/t/preferences/{message}")
class PreferenceController {
    private static final int MOST = 100;

    private final Preferences preferences;
    private final Outbox outbox;
    private final OpenLists open;
    private final BusinessScope scope;

    PreferenceController(Preferences preferences, Outbox outbox, OpenLists open, BusinessScope scope) {
        this.preferences = preferences;
        this.outbox = outbox;
        this.open = open;
        this.scope = scope;
    }

    /** @param stop where all messages are ended */
    record PreferencePage(
            String business, String reader, List<Preferences.Choice> choices, String stop, boolean isSaved) {}

    @GetMapping
    ModelAndView show(@PathVariable UUID message, HttpServletRequest request, HttpServletResponse response) {
        return page(
                message,
                request,
                response,
                (business, email) -> scope.within(
                        business, () -> view(business, message, email, preferences.choices(email), false)));
    }

    @PostMapping
    ModelAndView save(
            @PathVariable UUID message, TypedFields typed, HttpServletRequest request, HttpServletResponse response) {
        Set<UUID> wanted = Set.copyOf(typed.ids("list", MOST));
        String address = request.getRequestURL().toString();
        return page(message, request, response, (business, email) -> {
            List<Preferences.Choice> chosen = UniqueKey.stored(() -> choose(business, email, wanted, address))
                    .orElseGet(() -> choose(business, email, wanted, address));
            return view(business, message, email, chosen, true);
        });
    }

    private List<Preferences.Choice> choose(BusinessId business, String email, Set<UUID> wanted, String address) {
        return scope.within(business, () -> preferences.choose(email, wanted, address));
    }

    private ModelAndView page(
            UUID message,
            HttpServletRequest request,
            HttpServletResponse response,
            BiFunction<BusinessId, String, ModelAndView> maker) {
        return open.page(
                outbox.businessOf(message),
                request,
                response,
                business -> scope.within(business, () -> outbox.recipientOf(message))
                        .flatMap(EmailAddress::find)
                        .map(address -> maker.apply(business, address.value()))
                        .orElseGet(OpenLists::over));
    }

    private ModelAndView view(
            BusinessId business, UUID message, String email, List<Preferences.Choice> choices, boolean isSaved) {
        return ViewRecord.of(
                "place/subscribers/open-preferences",
                new PreferencePage(open.businessName(business), email, choices, "/t/stop/" + message, isSaved));
    }
}
