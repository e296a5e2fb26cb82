package wendo.app.platform.accounts;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.core.annotation.AnnotatedElementUtils;
import org.springframework.http.HttpStatus;
import org.springframework.web.method.HandlerMethod;
import org.springframework.web.server.ResponseStatusException;
import org.springframework.web.servlet.HandlerInterceptor;
import org.springframework.web.servlet.HandlerMapping;
import wendo.app.platform.site.Texts;

/** Lets people do what their role may do. Public addresses and programs have doors of their own. */
final class PermissionInterceptor implements HandlerInterceptor {
    /** Where everybody may be, signed in or not. */
    private static final String EVERYBODYS = "/sign-in/";

    private final OwnLinks links;
    private final IdentityCheck identity;

    PermissionInterceptor(OwnLinks links, IdentityCheck identity) {
        this.links = links;
        this.identity = identity;
    }

    @Override
    public boolean preHandle(HttpServletRequest request, HttpServletResponse response, Object handler) {
        Optional<CurrentPerson> person = CurrentPerson.find(request);
        if (person.isEmpty()
                || !(handler instanceof HandlerMethod method)
                || request.getRequestURI().startsWith(EVERYBODYS)) {
            return true;
        }
        Optional<Needs> needs = find(method);
        boolean isAllowed =
                needs.map(one -> one.value().isOf(person.get().role())).orElse(isRead(request));
        if (!isAllowed) {
            throw new ResponseStatusException(
                    HttpStatus.FORBIDDEN, Texts.of("platform.accounts.your-role-does-not-allow"));
        }
        if (needs.filter(Needs::ofLink).isPresent()
                && !isRead(request)
                && person.get().role() == Role.STAFF
                && !links.isOwn(link(request), person.get())) {
            throw new ResponseStatusException(
                    HttpStatus.FORBIDDEN, Texts.of("platform.accounts.this-is-somebody-elses-link"));
        }
        if (!isRead(request) && isConfirmed(method)) {
            identity.require(person.get().id(), request);
        }
        return true;
    }

    private static boolean isConfirmed(HandlerMethod method) {
        return method.hasMethodAnnotation(Confirmed.class)
                || AnnotatedElementUtils.hasAnnotation(method.getBeanType(), Confirmed.class);
    }

    /** What a handler needs, or else its controller. */
    static Optional<Needs> find(HandlerMethod method) {
        return Optional.ofNullable(method.getMethodAnnotation(Needs.class))
                .or(() -> Optional.ofNullable(
                        AnnotatedElementUtils.findMergedAnnotation(method.getBeanType(), Needs.class)));
    }

    private static boolean isRead(HttpServletRequest request) {
        return request.getMethod().equals("GET") || request.getMethod().equals("HEAD");
    }

    private static UUID link(HttpServletRequest request) {
        Object variables = request.getAttribute(HandlerMapping.URI_TEMPLATE_VARIABLES_ATTRIBUTE);
        Object id = variables instanceof Map<?, ?> all ? all.get("id") : null;
        try {
            return UUID.fromString(String.valueOf(id));
        } catch (IllegalArgumentException e) {
            throw new ResponseStatusException(
                    HttpStatus.NOT_FOUND, Texts.of("platform.accounts.there-is-no-such-link"), e);
        }
    }
}
