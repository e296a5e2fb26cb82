package wendo.app.platform.accounts;

import jakarta.servlet.http.HttpServletRequest;
import java.time.Clock;
import java.util.List;
import java.util.Locale;
import java.util.Objects;
import java.util.Optional;
import java.util.UUID;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.core.MethodParameter;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.ControllerAdvice;
import org.springframework.web.bind.annotation.ModelAttribute;
import org.springframework.web.bind.support.WebDataBinderFactory;
import org.springframework.web.context.request.NativeWebRequest;
import org.springframework.web.context.request.RequestAttributes;
import org.springframework.web.method.support.HandlerMethodArgumentResolver;
import org.springframework.web.method.support.ModelAndViewContainer;
import wendo.app.platform.business.Business;
import wendo.app.platform.business.BusinessScope;
import wendo.app.platform.business.Businesses;
import wendo.app.platform.site.Figures;
import wendo.app.platform.site.PeriodChoice;
import wendo.app.platform.site.Texts;

/** Gives every page its frame and its way of writing figures, and controllers their person, business and period. */
@ControllerAdvice(annotations = Controller.class)
class FrameAdvice implements HandlerMethodArgumentResolver {
    static final String ATTRIBUTE = "wendo.frame";
    private static final Pattern LINK = Pattern.compile("^/links/([0-9a-f-]{36})(/|$)");

    private final Businesses businesses;
    private final ObjectProvider<OwnLinks> links;
    private final Clock clock;

    FrameAdvice(Businesses businesses, ObjectProvider<OwnLinks> links, Clock clock) {
        this.businesses = businesses;
        this.links = links;
        this.clock = clock;
    }

    @ModelAttribute
    void addFrame(HttpServletRequest request, Model model) {
        if (request.getAttribute(ATTRIBUTE) != null && BusinessScope.find().isPresent()) {
            Business business = businesses.current();
            model.addAttribute("frame", request.getAttribute(ATTRIBUTE));
            model.addAttribute("figures", new Figures(business.currency(), business.zone(), business.locale()));
            model.addAttribute("section", section(request.getRequestURI()));
            model.addAttribute("otherLanguages", otherLanguages());
            model.addAttribute("currentAddress", currentAddress(request));
            model.addAttribute("periodQuery", periodOf(request, business).query());
            model.addAttribute("mayChangeLink", mayChangeLink(request));
            business.deletesAt().ifPresent(at -> model.addAttribute("businessDeletesAt", at));
        }
    }

    /** Whether the person may change the link whose page this is: staff their own. */
    private boolean mayChangeLink(HttpServletRequest request) {
        Matcher link = LINK.matcher(request.getRequestURI());
        return link.find()
                && CurrentPerson.find(request)
                        .filter(person -> person.may(Permission.ISSUE))
                        .filter(person -> person.role() != Role.STAFF
                                || links.getObject().isOwn(UUID.fromString(link.group(1)), person))
                        .isPresent();
    }

    /** What else pages may be read in. */
    private static List<Locale> otherLanguages() {
        return Texts.OFFERED.stream()
                .filter(one -> !one.equals(Texts.language()))
                .toList();
    }

    /** Where somebody is, for what brings them back here. */
    private static String currentAddress(HttpServletRequest request) {
        String query = request.getQueryString();
        return request.getMethod().equals("GET")
                ? request.getRequestURI() + (query == null ? "" : "?" + query)
                : "/today";
    }

    private static String section(String path) {
        int end = path.indexOf('/', 1);
        String first = end < 0 ? path.substring(1) : path.substring(1, end);
        return first.equals("subscribers") ? "audiences" : first; // a part of them
    }

    private PeriodChoice periodOf(HttpServletRequest request, Business business) {
        return PeriodChoice.of(
                name -> Optional.ofNullable(request.getParameter(name)), business.today(clock), business.firstMonth());
    }

    @Override
    public boolean supportsParameter(MethodParameter parameter) {
        Class<?> type = parameter.getParameterType();
        return type == PeriodChoice.class
                || type == CurrentPerson.class
                || type == Business.class
                || type == PageContext.class;
    }

    @Override
    public Object resolveArgument(
            MethodParameter parameter,
            @org.jspecify.annotations.Nullable ModelAndViewContainer container,
            NativeWebRequest request,
            @org.jspecify.annotations.Nullable WebDataBinderFactory binders) {
        Class<?> type = parameter.getParameterType();
        if (type == CurrentPerson.class) {
            return personOf(request);
        }
        Business business = businesses.current();
        if (type == Business.class) {
            return business;
        }
        PeriodChoice choice =
                periodOf(Objects.requireNonNull(request.getNativeRequest(HttpServletRequest.class)), business);
        return type == PeriodChoice.class ? choice : new PageContext(personOf(request), business, choice);
    }

    private static CurrentPerson personOf(NativeWebRequest request) {
        Object person = request.getAttribute(CurrentPerson.ATTRIBUTE, RequestAttributes.SCOPE_REQUEST);
        return (CurrentPerson) Objects.requireNonNull(person, "Nobody is signed in");
    }
}
