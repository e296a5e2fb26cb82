package wendo.app.money.partnerpage;

import jakarta.servlet.http.Cookie;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.util.Arrays;
import java.util.Optional;
import java.util.function.Function;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseCookie;
import org.springframework.stereotype.Component;
import org.springframework.web.server.ResponseStatusException;
import org.springframework.web.servlet.ModelAndView;
import wendo.app.money.partners.OwnPage;
import wendo.app.money.partners.Partners;
import wendo.app.platform.business.BusinessId;
import wendo.app.platform.business.BusinessScope;
import wendo.app.platform.business.Businesses;
import wendo.app.platform.site.CallLimit;
import wendo.app.platform.site.PublicLanguages;
import wendo.app.platform.site.SecretAddress;
import wendo.app.platform.site.ViewRecord;

/** Who comes in by the private address of a partner's page, and who has to give a code first. */
@Component
class PartnerDoor {
    private static final String COOKIE = "wendo_partner_page";
    private static final int OPENINGS_PER_MINUTE = 120;
    private static final int WRITINGS_PER_MINUTE = 10;

    /** Of one page, wherever it is asked from: somebody's mailbox is not to be flooded. */
    private static final int CODES_PER_MINUTE = 3;

    private final Partners partners;
    private final PageKeys keys;
    private final Businesses businesses;
    private final BusinessScope scope;
    private final CallLimit openings = new CallLimit(OPENINGS_PER_MINUTE);
    private final CallLimit writings = new CallLimit(WRITINGS_PER_MINUTE);
    private final CallLimit codes = new CallLimit(CODES_PER_MINUTE);

    PartnerDoor(Partners partners, PageKeys keys, Businesses businesses, BusinessScope scope) {
        this.partners = partners;
        this.keys = keys;
        this.businesses = businesses;
        this.scope = scope;
    }

    /** Who calls, and what is answered. */
    record Call(String token, HttpServletRequest request, HttpServletResponse response) {}

    /** A page that asks for the code that goes out by mail. */
    record CodePage(
            String language, String business, String token, boolean isSendable, boolean isSent, boolean isWrong) {}

    /** The page, or the one that asks for a code, or none. */
    ModelAndView page(Call call, Function<OwnPage, ModelAndView> shown) {
        SecretAddress.guard(call.response());
        if (!openings.allows(call.request().getRemoteAddr())) {
            return gone(HttpStatus.TOO_MANY_REQUESTS);
        }
        return known(call, own -> isOpen(own, call.request()) ? shown.apply(own) : code(call, own, false, false))
                .orElseGet(() -> gone(HttpStatus.NOT_FOUND));
    }

    /** What belongs to the page, for those alone who may see it. */
    <T> T part(Call call, Function<OwnPage, Optional<T>> wanted) {
        SecretAddress.guard(call.response());
        if (!openings.allows(call.request().getRemoteAddr())) {
            throw new ResponseStatusException(HttpStatus.TOO_MANY_REQUESTS);
        }
        return known(call, own -> isOpen(own, call.request()) ? wanted.apply(own) : Optional.<T>empty())
                .flatMap(one -> one)
                .orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
    }

    /** What somebody writes on the page, which nobody does often. In no transaction, for a unique key may refuse it. */
    ModelAndView written(Call call, Function<OwnPage, ModelAndView> answer) throws Exception {
        SecretAddress.guard(call.response());
        if (!writings.allows(call.request().getRemoteAddr() + " " + call.token())) {
            return gone(HttpStatus.TOO_MANY_REQUESTS);
        }
        Optional<BusinessId> owner = partners.businessOf(call.token());
        return owner.isEmpty()
                ? gone(HttpStatus.NOT_FOUND)
                : BusinessScope.as(
                        owner.get(),
                        () -> partners.page(call.token())
                                .map(own ->
                                        isOpen(own, call.request()) ? answer.apply(own) : code(call, own, false, false))
                                .orElseGet(() -> gone(HttpStatus.NOT_FOUND)));
    }

    /** Sends a code, or takes one. */
    ModelAndView code(Call call, Optional<String> typed) {
        SecretAddress.guard(call.response());
        if (!writings.allows(call.request().getRemoteAddr() + " " + call.token())) {
            return gone(HttpStatus.TOO_MANY_REQUESTS);
        }
        return known(call, own -> typed.map(code -> take(call, own, code)).orElseGet(() -> send(call, own)))
                .orElseGet(() -> gone(HttpStatus.NOT_FOUND));
    }

    private ModelAndView send(Call call, OwnPage own) {
        if (own.isByCode() && !own.email().isEmpty() && codes.allows(call.token())) {
            keys.send(own);
        }
        return code(call, own, true, false);
    }

    private ModelAndView take(Call call, OwnPage own, String code) {
        Optional<String> key = keys.give(own.partner(), code.replaceAll("\\s", ""));
        if (key.isEmpty()) {
            ModelAndView again = code(call, own, true, true);
            again.setStatus(HttpStatus.UNPROCESSABLE_CONTENT);
            return again;
        }
        String path = "/t/partners/" + call.token();
        call.response()
                .addHeader(
                        HttpHeaders.SET_COOKIE,
                        ResponseCookie.from(COOKIE, key.get())
                                .path(path)
                                .httpOnly(true)
                                .secure(call.request().isSecure())
                                .sameSite("Lax")
                                .maxAge(PageKeys.KEY_HOLDS)
                                .build()
                                .toString());
        return new ModelAndView("redirect:" + path);
    }

    private <T> Optional<T> known(Call call, Function<OwnPage, T> wanted) {
        return partners.businessOf(call.token())
                .flatMap(owner ->
                        scope.within(owner, () -> partners.page(call.token()).map(wanted)));
    }

    private boolean isOpen(OwnPage own, HttpServletRequest request) {
        if (!own.isByCode()) {
            return true;
        }
        Cookie[] cookies = request.getCookies();
        return cookies != null
                && Arrays.stream(cookies)
                        .filter(one -> one.getName().equals(COOKIE))
                        .anyMatch(one -> keys.isOpen(own.partner(), one.getValue()));
    }

    private ModelAndView code(Call call, OwnPage own, boolean isSent, boolean isWrong) {
        return ViewRecord.of(
                "money/partnerpage/open-code",
                new CodePage(
                        PublicLanguages.speak(own.language()),
                        businesses.current().name(),
                        call.token(),
                        !own.email().isEmpty(),
                        isSent,
                        isWrong));
    }

    private static ModelAndView gone(HttpStatus status) {
        ModelAndView gone = new ModelAndView("money/partnerpage/open-gone");
        gone.setStatus(status);
        return gone;
    }
}
