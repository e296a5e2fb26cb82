package wendo.app.place.newsletters;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.time.Clock;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.BindParam;
import org.springframework.web.bind.annotation.ModelAttribute;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestMethod;
import org.springframework.web.servlet.ModelAndView;
import wendo.app.issue.links.LinkSaving;
import wendo.app.place.subscribers.JoinAnswer;
import wendo.app.place.subscribers.Joiner;
import wendo.app.place.subscribers.Joins;
import wendo.app.platform.business.BusinessId;
import wendo.app.platform.business.BusinessScope;
import wendo.app.platform.business.Businesses;
import wendo.app.platform.consent.ConsentPlace;
import wendo.app.platform.site.CallLimit;
import wendo.app.platform.site.InvalidForm;
import wendo.app.platform.site.PublicLanguages;
import wendo.app.platform.site.Texts;
import wendo.app.platform.site.ViewRecord;
import wendo.app.visit.visits.Automatic;
import wendo.app.visit.visits.ProofBook;
import wendo.core.links.Tagging;
import wendo.core.media.EmailAddress;
import wendo.core.media.Placeholder;
import wendo.core.visits.ClickId;

/**
 * Where a reader arrives who wants to subscribe, on the link host, after the link has counted the visit. Opening it
 * changes nothing, for scanners open everything: the page sends itself, or the reader presses its button.
 */
@Controller
@RequestMapping("/t/opt-in/{link}")
class OptInController {
    private static final int MAX_TEXT = 400;
    private static final int MAX_PLACEHOLDER = 200; // enough to know it again

    private final OptIns optIns;
    private final Joins joins;
    private final LinkSaving links;
    private final Businesses businesses;
    private final BusinessScope scope;
    private final Automatic automatic;
    private final ProofBook proofs;
    private final Clock clock;
    private final CallLimit limit = new CallLimit(60);

    OptInController(
            OptIns optIns,
            Joins joins,
            LinkSaving links,
            Businesses businesses,
            BusinessScope scope,
            Automatic automatic,
            ProofBook proofs,
            Clock clock) {
        this.optIns = optIns;
        this.joins = joins;
        this.links = links;
        this.businesses = businesses;
        this.scope = scope;
        this.automatic = automatic;
        this.proofs = proofs;
        this.clock = clock;
    }

    /** What stands in the address: who it should be, and the visit that the link counted before. */
    record Asked(
            @Nullable String reader,
            @BindParam(ClickId.PARAMETER) @Nullable String click) {
        private String text() {
            return reader == null ? "" : reader;
        }

        Optional<EmailAddress> address() {
            return EmailAddress.find(text());
        }

        Optional<ClickId> visit() {
            return ClickId.find(click == null ? "" : click);
        }

        /** The placeholder that the sending system left as it was. */
        Optional<String> unsubstituted() {
            return text().length() > MAX_TEXT || address().isPresent()
                    ? Optional.empty()
                    : Placeholder.findIn(text())
                            .map(left -> left.substring(0, Math.min(MAX_PLACEHOLDER, left.length())));
        }

        Question question(UUID link, String fault, boolean goesBySelf) {
            String shown = text().length() <= EmailAddress.MAX_LENGTH ? text() : "";
            return new Question(link, shown, visit().map(ClickId::toString).orElse(""), fault, goesBySelf);
        }
    }

    record Question(UUID link, String reader, String click, String fault, boolean goesBySelf) {}

    /** What the page says and does. */
    private record Setting(OptIns.OptIn optIn, UUID list, String businessName, String leadsTo) {}

    record AskedPage(String reader, boolean isPart) {}

    record OptInPage(String business, String promise) {}

    @RequestMapping(method = {RequestMethod.GET, RequestMethod.HEAD})
    ModelAndView arrive(
            @PathVariable UUID link,
            @ModelAttribute Asked asked,
            HttpServletRequest request,
            HttpServletResponse response) {
        noTraces(response);
        Optional<BusinessId> business = business(link, request);
        if (business.isEmpty()) {
            return over();
        }
        Setting setting = setting(business.get(), link);
        Optional<String> left = asked.unsubstituted();
        if (left.isPresent()) {
            within(business.get(), () -> optIns.noteUnsubstituted(link, left.get()));
            return page("place/newsletters/open-placeholder", setting).addObject("placeholder", left.get());
        }
        boolean goesBySelf = !setting.optIn().asksFirst()
                && request.getMethod().equals("GET")
                && asked.address().isPresent()
                && !automatic.is(request);
        return ask(setting, asked.question(link, "", goesBySelf));
    }

    private void within(BusinessId business, Runnable work) {
        scope.within(business, () -> {
            work.run();
            return true;
        });
    }

    private static ModelAndView ask(Setting setting, Question question) {
        return ViewRecord.with(page("place/newsletters/open-ask", setting), question);
    }

    @PostMapping
    ModelAndView subscribe(
            @PathVariable UUID link,
            @ModelAttribute Asked asked,
            HttpServletRequest request,
            HttpServletResponse response) {
        noTraces(response);
        Optional<BusinessId> business = business(link, request);
        if (business.isEmpty()) {
            return over();
        }
        Setting setting = setting(business.get(), link);
        Optional<EmailAddress> address = asked.address();
        if (address.isEmpty() || automatic.is(request)) {
            String fault = Texts.of("place.newsletters.this-is-not-an-e");
            return InvalidForm.of(ask(setting, asked.question(link, fault, false)));
        }
        Optional<ClickId> visit = asked.visit();
        JoinAnswer answer = joins.join(
                business.get(),
                joiner(setting, link, address.get(), visit, request),
                scope.within(business.get(), () -> proofs.of(request, clock.instant())));
        if (answer == JoinAnswer.ASKED) {
            return ViewRecord.with(
                    page("place/subscribers/open-asked", setting),
                    new AskedPage(address.get().value(), false));
        }
        String onward = setting.optIn().onward().isEmpty()
                ? setting.leadsTo()
                : setting.optIn().onward();
        // Not a redirect: the policy lets forms go to this host only, and browsers hold their redirects to it too.
        return page("place/newsletters/open-done", setting)
                .addObject(
                        "onward",
                        visit.map(id -> Tagging.append(onward, ClickId.PARAMETER, id.toString()))
                                .orElse(onward));
    }

    private static Joiner joiner(
            Setting setting, UUID link, EmailAddress address, Optional<ClickId> visit, HttpServletRequest request) {
        return new Joiner(
                setting.list(),
                address.value(),
                setting.optIn().promise(),
                ConsentPlace.OPT_IN,
                link,
                Optional.of(link),
                visit.map(ClickId::uuid),
                Set.copyOf(setting.optIn().labels()),
                request.getRequestURL().toString());
    }

    /** Empty also where one address calls too often. */
    private Optional<BusinessId> business(UUID link, HttpServletRequest request) {
        return limit.allows(request.getRemoteAddr()) ? optIns.businessOf(link) : Optional.empty();
    }

    private Setting setting(BusinessId business, UUID link) {
        return scope.within(business, () -> {
            PublicLanguages.speak(businesses.current().locale());
            OptIns.OptIn optIn = optIns.of(link);
            return new Setting(
                    optIn,
                    optIn.list().orElseThrow(),
                    businesses.current().name(),
                    links.find(link).orElseThrow().taggedAddress());
        });
    }

    /** The address holds somebody's e-mail: it is neither kept nor passed on. */
    private static void noTraces(HttpServletResponse response) {
        response.setHeader("Cache-Control", "no-store");
        response.setHeader("Referrer-Policy", "no-referrer");
        response.setHeader("X-Robots-Tag", "noindex");
    }

    private static ModelAndView page(String view, Setting setting) {
        return ViewRecord.of(
                view, new OptInPage(setting.businessName(), setting.optIn().promise()));
    }

    private static ModelAndView over() {
        ModelAndView page = new ModelAndView("place/newsletters/open-over");
        page.setStatus(HttpStatus.NOT_FOUND);
        return page;
    }
}
