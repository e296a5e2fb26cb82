package wendo.app.platform.accounts;

import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import org.springframework.security.core.AuthenticationException;
import org.springframework.security.web.authentication.AuthenticationFailureHandler;
import org.springframework.security.web.authentication.AuthenticationSuccessHandler;
import org.springframework.security.web.authentication.SavedRequestAwareAuthenticationSuccessHandler;
import org.springframework.security.web.savedrequest.CookieRequestCache;
import org.springframework.stereotype.Component;
import wendo.app.platform.site.SharedLimits;
import wendo.app.platform.site.Texts;

/** What stands at the doors that people come in by. */
@Component
class AccountDoors {
    private final SignIns signIns;
    private final Sessions sessions;
    private final PasskeyDoors passkeys;
    private final SharedLimits limits;
    private final KnownDevices devices;

    AccountDoors(SignIns signIns, Sessions sessions, PasskeyDoors passkeys, SharedLimits limits, KnownDevices devices) {
        this.signIns = signIns;
        this.sessions = sessions;
        this.passkeys = passkeys;
        this.limits = limits;
        this.devices = devices;
    }

    PasskeyDoors passkeys() {
        return passkeys;
    }

    SignInLimit limit() {
        return new SignInLimit(limits, devices);
    }

    AccountGate gate() {
        return new AccountGate(sessions);
    }

    /** To the code, where one is asked for; else to where they wanted to go. */
    AuthenticationSuccessHandler welcome() {
        SavedRequestAwareAuthenticationSuccessHandler onward = new SavedRequestAwareAuthenticationSuccessHandler();
        onward.setRequestCache(new CookieRequestCache());
        onward.setDefaultTargetUrl("/today");
        return (request, response, authentication) -> {
            if (authentication.getPrincipal() instanceof SignedIn person) {
                signIns.begin(person, SignInWay.PASSWORD, request, response);
                if (person.needsCode()) {
                    response.sendRedirect(AccountGate.CODE);
                    return;
                }
            }
            onward.onAuthenticationSuccess(request, response, authentication);
        };
    }

    AuthenticationFailureHandler refusal() {
        return this::refuse;
    }

    private void refuse(HttpServletRequest request, HttpServletResponse response, AuthenticationException cause)
            throws IOException, ServletException {
        String email = request.getParameter("email");
        signIns.refuse(email == null ? "" : email, SignInWay.PASSWORD, request);
        response.setStatus(422);
        request.setAttribute(SecurityConfiguration.FAULT, Texts.of("platform.accounts.this-e-mail-and-password"));
        request.getRequestDispatcher(SecurityConfiguration.REFUSED).forward(request, response);
    }
}
