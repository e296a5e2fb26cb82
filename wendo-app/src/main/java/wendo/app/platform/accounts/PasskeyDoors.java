package wendo.app.platform.accounts;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.net.URI;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import org.springframework.boot.web.server.context.WebServerInitializedEvent;
import org.springframework.context.event.EventListener;
import org.springframework.http.MediaType;
import org.springframework.security.authentication.AuthenticationManager;
import org.springframework.security.authentication.BadCredentialsException;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.core.Authentication;
import org.springframework.security.web.authentication.session.ChangeSessionIdAuthenticationStrategy;
import org.springframework.security.web.context.HttpSessionSecurityContextRepository;
import org.springframework.security.web.savedrequest.CookieRequestCache;
import org.springframework.security.web.savedrequest.SavedRequest;
import org.springframework.security.web.webauthn.api.AuthenticatorSelectionCriteria;
import org.springframework.security.web.webauthn.api.PublicKeyCredentialRpEntity;
import org.springframework.security.web.webauthn.api.ResidentKeyRequirement;
import org.springframework.security.web.webauthn.api.UserVerificationRequirement;
import org.springframework.security.web.webauthn.authentication.PublicKeyCredentialRequestOptionsFilter;
import org.springframework.security.web.webauthn.authentication.WebAuthnAuthenticationFilter;
import org.springframework.security.web.webauthn.authentication.WebAuthnAuthenticationRequestToken;
import org.springframework.security.web.webauthn.management.Webauthn4JRelyingPartyOperations;
import org.springframework.security.web.webauthn.registration.PublicKeyCredentialCreationOptionsFilter;
import org.springframework.security.web.webauthn.registration.WebAuthnRegistrationFilter;
import org.springframework.stereotype.Component;
import wendo.app.platform.site.Installation;

/** Signing in by passkey, and adding one: Spring Security's filters for Web Authentication, with our people. */
@Component
class PasskeyDoors {
    /** Both are asked for by a script of ours, with the form's token. */
    static final String ASK = "/webauthn/authenticate/options";

    static final String ENTER = "/login/webauthn";

    private final Passkeys passkeys;
    private final Accounts accounts;
    private final SignIns signIns;
    private final Webauthn4JRelyingPartyOperations operations;
    private final Set<String> origins = ConcurrentHashMap.newKeySet();

    PasskeyDoors(Passkeys passkeys, Accounts accounts, SignIns signIns, Installation installation) {
        this.passkeys = passkeys;
        this.accounts = accounts;
        this.signIns = signIns;
        this.origins.add(installation.origin());
        this.operations = new Webauthn4JRelyingPartyOperations(
                passkeys,
                passkeys,
                PublicKeyCredentialRpEntity.builder()
                        .id(URI.create(installation.origin()).getHost())
                        .name("Wendo")
                        .build(),
                origins);
        // A passkey counts as two factors: the device, and what unlocks it.
        operations.setCustomizeCreationOptions(
                options -> options.authenticatorSelection(AuthenticatorSelectionCriteria.builder()
                        .userVerification(UserVerificationRequirement.REQUIRED)
                        .residentKey(ResidentKeyRequirement.REQUIRED)
                        .build()));
        operations.setCustomizeRequestOptions(
                options -> options.userVerification(UserVerificationRequirement.REQUIRED));
    }

    /** On a machine of one's own it is the port that is answered on, whatever the settings say. */
    @EventListener
    void on(WebServerInitializedEvent started) {
        if (origins.stream().anyMatch(origin -> origin.startsWith("http://localhost"))) {
            origins.add("http://localhost:" + started.getWebServer().getPort());
        }
    }

    PublicKeyCredentialRequestOptionsFilter asking() {
        return new PublicKeyCredentialRequestOptionsFilter(operations);
    }

    WebAuthnAuthenticationFilter entering() {
        WebAuthnAuthenticationFilter filter = new WebAuthnAuthenticationFilter();
        AuthenticationManager manager = asked -> authenticate((WebAuthnAuthenticationRequestToken) asked);
        filter.setAuthenticationManager(manager);
        filter.setSecurityContextRepository(new HttpSessionSecurityContextRepository());
        filter.setSessionAuthenticationStrategy(new ChangeSessionIdAuthenticationStrategy());
        filter.setAuthenticationSuccessHandler(this::welcome);
        filter.setAuthenticationFailureHandler(
                (request, response, cause) -> response.setStatus(HttpServletResponse.SC_UNAUTHORIZED));
        return filter;
    }

    PublicKeyCredentialCreationOptionsFilter offering() {
        return new PublicKeyCredentialCreationOptionsFilter(operations);
    }

    WebAuthnRegistrationFilter adding() {
        return new WebAuthnRegistrationFilter(passkeys, operations);
    }

    private Authentication authenticate(WebAuthnAuthenticationRequestToken asked) {
        try {
            String email = operations.authenticate(asked.getWebAuthnRequest()).getName();
            SignedIn person = accounts.loadUserByUsername(email).withoutCode();
            return UsernamePasswordAuthenticationToken.authenticated(person, null, List.of());
        } catch (RuntimeException e) { // whatever is wrong with it, it is not the right one
            throw new BadCredentialsException("No such passkey", e);
        }
    }

    private void welcome(HttpServletRequest request, HttpServletResponse response, Authentication authentication)
            throws IOException {
        if (authentication.getPrincipal() instanceof SignedIn person) {
            signIns.begin(person, SignInWay.PASSKEY, request, response);
        }
        CookieRequestCache wanted = new CookieRequestCache();
        SavedRequest saved = wanted.getRequest(request, response);
        wanted.removeRequest(request, response);
        String path = saved == null ? "" : URI.create(saved.getRedirectUrl()).getRawPath();
        response.setContentType(MediaType.APPLICATION_JSON_VALUE);
        response.setCharacterEncoding(StandardCharsets.UTF_8.name());
        response.getWriter()
                .write("{\"to\": \"%s\"}".formatted(path.matches("/[\\w/-]*") && !path.isEmpty() ? path : "/today"));
    }
}
