package wendo.app.place.subscribers;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.time.Clock;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.servlet.ModelAndView;
import wendo.app.platform.business.BusinessId;
import wendo.app.platform.business.BusinessScope;
import wendo.app.platform.consent.ConsentPlace;
import wendo.app.platform.site.InvalidForm;
import wendo.app.platform.site.Texts;
import wendo.app.platform.site.TypedFields;
import wendo.app.platform.site.ViewRecord;
import wendo.app.visit.sitetag.Embedding;
import wendo.app.visit.visits.Automatic;
import wendo.app.visit.visits.ProofBook;
import wendo.core.media.EmailAddress;
import wendo.core.visits.ClickId;

/** A list's sign-up form, on a page of its own or in one of the business's; on its own it works without script. */
@Controller
@RequestMapping("/t/lists/{id}")
class SignUpController {
    /** A field that people do not see. Whoever fills it in is a program. */
    private static final String HONEYPOT = "website";

    private final NewsletterLists lists;
    private final Joins joins;
    private final OpenLists open;
    private final Embedding embedding;
    private final Automatic automatic;
    private final ProofBook proofs;
    private final BusinessScope scope;
    private final Clock clock;

    SignUpController(
            NewsletterLists lists,
            Joins joins,
            OpenLists open,
            Embedding embedding,
            Automatic automatic,
            ProofBook proofs,
            BusinessScope scope,
            Clock clock) {
        this.lists = lists;
        this.joins = joins;
        this.open = open;
        this.embedding = embedding;
        this.automatic = automatic;
        this.proofs = proofs;
        this.scope = scope;
        this.clock = clock;
    }

    record SignUpPage(String business, String promise, String reader, String fault, boolean isPart) {
        SignUpPage refused() {
            return new SignUpPage(business, promise, reader, Texts.of("place.newsletters.this-is-not-an-e"), isPart);
        }
    }

    record AskedPage(String business, String promise, String reader, boolean isPart) {}

    @GetMapping
    ModelAndView show(@PathVariable UUID id, HttpServletRequest request, HttpServletResponse response) {
        return open.page(open.businessOfList(id), request, response, business -> {
            NewsletterLists.Listed list = find(business, id, request, response);
            scope.within(business, () -> {
                embedding.list(request, list.name());
                return list;
            });
            return form(new SignUpPage(open.businessName(business), list.promise(), "", "", Embedding.isPart(request)));
        });
    }

    /** Allowed in the business's own pages. */
    private NewsletterLists.Listed find(
            BusinessId business, UUID id, HttpServletRequest request, HttpServletResponse response) {
        return scope.within(business, () -> {
            embedding.allow(request, response);
            return lists.find(id).orElseThrow();
        });
    }

    private static ModelAndView form(SignUpPage page) {
        return ViewRecord.of("place/subscribers/open-sign-up", page);
    }

    @PostMapping
    ModelAndView join(
            @PathVariable UUID id, TypedFields typed, HttpServletRequest request, HttpServletResponse response) {
        return open.page(open.businessOfList(id), request, response, business -> {
            NewsletterLists.Listed list = find(business, id, request, response);
            SignUpPage page = new SignUpPage(
                    open.businessName(business), list.promise(), shown(typed), "", Embedding.isPart(request));
            return EmailAddress.find(typed.text("reader"))
                    .map(address -> isProgram(typed, request)
                            ? thanks(list)
                            : joins.join(business, joiner(list, address, business, request), proof(business, request)))
                    .map(answer -> done(answer, page, list))
                    .orElseGet(() -> InvalidForm.of(form(page.refused())));
        });
    }

    private static String shown(TypedFields typed) {
        String reader = typed.text("reader");
        return reader.length() <= EmailAddress.MAX_LENGTH ? reader : "";
    }

    private boolean isProgram(TypedFields typed, HttpServletRequest request) {
        return !typed.raw(HONEYPOT).isEmpty() || automatic.is(request);
    }

    /** A program is thanked like everybody, which is all that it learns. */
    private static JoinAnswer thanks(NewsletterLists.Listed list) {
        return list.confirms() ? JoinAnswer.ASKED : JoinAnswer.JOINED;
    }

    private Optional<UUID> proof(BusinessId business, HttpServletRequest request) {
        return scope.within(business, () -> proofs.of(request, clock.instant()));
    }

    private static ModelAndView done(JoinAnswer answer, SignUpPage page, NewsletterLists.Listed list) {
        return answer == JoinAnswer.ASKED
                ? ViewRecord.of(
                        "place/subscribers/open-asked",
                        new AskedPage(page.business(), page.promise(), page.reader(), page.isPart()))
                : ViewRecord.of(
                        "place/subscribers/open-joined",
                        new ConfirmController.JoinedPage(
                                page.business(), page.promise(), list.onward(), page.isPart()));
    }

    private Joiner joiner(
            NewsletterLists.Listed list, EmailAddress address, BusinessId business, HttpServletRequest request) {
        String page = scope.within(
                business,
                () -> embedding
                        .pageAround(request)
                        .orElse(request.getRequestURL().toString()));
        return new Joiner(
                list.id(),
                address.value(),
                list.promise(),
                ConsentPlace.SIGN_UP,
                list.id(),
                Optional.empty(),
                click(request).map(ClickId::uuid),
                Set.of(),
                page);
    }

    /** A form in a page tells the visit that brought its visitor to that page. */
    private static Optional<ClickId> click(HttpServletRequest request) {
        return Optional.ofNullable(request.getParameter(ClickId.PARAMETER)).flatMap(ClickId::find);
    }
}
