package wendo.app.platform.accounts;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.function.Predicate;
import java.util.function.Supplier;
import java.util.stream.Collectors;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.web.filter.OncePerRequestFilter;
import wendo.app.platform.business.BusinessId;
import wendo.app.platform.site.Frame;
import wendo.app.platform.site.Languages;
import wendo.core.days.TypedDay;

/** Runs a signed-in person's request in the business they chose, or in their first. */
final class BusinessFilter extends OncePerRequestFilter {
    static final String CHOSEN = "wendo.business";

    /** Where a second factor is added, and the way out. */
    private static final String WITHOUT_SECOND_FACTOR = "/(account|webauthn|sign-in|sign-out|language)(/.*)?";

    private final Accounts accounts;
    private final Supplier<TypedDay> days;
    private final Predicate<UUID> hasSecondFactor;

    /**
     * @param hasSecondFactor whether a person has one, which a business may ask for
     * @param days reads days as the business whose request it is writes them
     */
    BusinessFilter(Accounts accounts, Predicate<UUID> hasSecondFactor, Supplier<TypedDay> days) {
        this.accounts = accounts;
        this.hasSecondFactor = hasSecondFactor;
        this.days = days;
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        Authentication authentication = SecurityContextHolder.getContext().getAuthentication();
        if (authentication == null || !(authentication.getPrincipal() instanceof SignedIn person)) {
            chain.doFilter(request, response);
            return;
        }
        List<Membership> memberships = accounts.memberships(person.id());
        Optional<Membership> chosen = choose(memberships, request.getSession().getAttribute(CHOSEN));
        if (chosen.isEmpty() && request.getRequestURI().startsWith("/sign-in")) {
            chain.doFilter(request, response); // they may be about to join one
            return;
        }
        if (chosen.isEmpty()) {
            response.sendError(HttpServletResponse.SC_FORBIDDEN);
            return;
        }
        Membership now = chosen.get();
        if (now.needsSecondFactor()
                && !request.getRequestURI().matches(WITHOUT_SECOND_FACTOR)
                && !hasSecondFactor.test(person.id())) {
            AccountGate.lead("/account", request, response);
            return;
        }
        Accounts.Spoken spoken = accounts.spoken(person.id());
        request.setAttribute(CurrentPerson.ATTRIBUTE, new CurrentPerson(person.id(), spoken.name(), now.role()));
        spoken.language().ifPresent(language -> request.setAttribute(Languages.CHOSEN, language));
        request.setAttribute(FrameAdvice.ATTRIBUTE, frame(spoken.name(), now, memberships));
        Actor.set(new Actor(Optional.of(person.id()), spoken.name()));
        try {
            RequestScope.run(now.business(), new DayParameters(request, days), response, chain);
        } finally {
            Actor.clear();
        }
    }

    private static Optional<Membership> choose(
            List<Membership> memberships, @org.jspecify.annotations.Nullable Object id) {
        return memberships.stream()
                .filter(membership -> membership.business().equals(id))
                .findFirst()
                .or(() -> memberships.stream().findFirst());
    }

    private static Frame frame(String name, Membership now, List<Membership> memberships) {
        return new Frame(
                now.businessName(),
                name,
                Arrays.stream(Permission.values())
                        .filter(permission -> permission.isOf(now.role()))
                        .map(Permission::name)
                        .collect(Collectors.toSet()),
                memberships.stream()
                        .filter(other -> !other.equals(now))
                        .map(other -> new Frame.Choice(other.business().value().toString(), other.businessName()))
                        .toList());
    }

    /** Whether this person works for this business; only then may it be chosen. */
    static boolean mayChoose(List<Membership> memberships, BusinessId wanted) {
        return memberships.stream().anyMatch(membership -> membership.business().equals(wanted));
    }
}
