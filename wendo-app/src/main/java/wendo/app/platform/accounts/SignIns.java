package wendo.app.platform.accounts;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import jakarta.servlet.http.HttpSession;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Locale;
import java.util.UUID;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.data.domain.Limit;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.core.context.SecurityContext;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.security.web.context.HttpSessionSecurityContextRepository;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import wendo.app.platform.site.Texts;

/** What happens when somebody signs in: the session is theirs, it is put on record, and a new device is told to them. */
@Service
public class SignIns {
    private static final Duration HISTORY_KEPT = Duration.ofDays(365);
    private static final int SHOWN = 30;

    private final SignInRepository history;
    private final PersonRepository people;
    private final Sessions sessions;
    private final KnownDevices devices;
    private final AccountTokens tokens;
    private final Clients clients;
    private final Accounts accounts;
    private final ApplicationEventPublisher events;
    private final Clock clock;

    SignIns(
            SignInRepository history,
            PersonRepository people,
            Sessions sessions,
            KnownDevices devices,
            AccountTokens tokens,
            Clients clients,
            Accounts accounts,
            ApplicationEventPublisher events,
            Clock clock) {
        this.history = history;
        this.people = people;
        this.sessions = sessions;
        this.devices = devices;
        this.tokens = tokens;
        this.clients = clients;
        this.accounts = accounts;
        this.events = events;
        this.clock = clock;
    }

    /** The session of whoever gave the right password. Where a code is asked for too, they are not in yet. */
    void begin(SignedIn person, SignInWay way, HttpServletRequest request, HttpServletResponse response) {
        sessions.begin(request.getSession(), person.id(), clients.of(request));
        if (!person.needsCode()) {
            complete(person, way, request, response);
        }
    }

    /** They are in. */
    @Transactional
    public void complete(SignedIn person, SignInWay way, HttpServletRequest request, HttpServletResponse response) {
        Clients.Client client = clients.of(request);
        HttpSession session = request.getSession();
        Sessions.giveCode(session);
        sessions.confirm(session);
        boolean isNew = devices.find(request, person.getUsername()).isEmpty() && devices.hasAny(person.id());
        devices.remember(person.id(), request, response);
        record(person.id(), way, true, client);
        events.publishEvent(new PersonSignedIn(
                person.id(),
                person.name(),
                way,
                accounts.memberships(person.id()).stream()
                        .map(Membership::business)
                        .toList()));
        if (isNew && way != SignInWay.INVITATION) {
            tokens.mail(
                    person.id(),
                    person.getUsername(),
                    Texts.of("platform.accounts.mail.device-subject"),
                    Texts.of("platform.accounts.mail.device", person.name(), client.browser(), client.country()));
        }
    }

    /** Signs somebody in who has just proved by other means who they are. */
    public void now(UUID id, SignInWay way, HttpServletRequest request, HttpServletResponse response) {
        SignedIn person = people.findById(id).orElseThrow().signedIn().withoutCode();
        person.eraseCredentials();
        if (request.getSession(false) != null) {
            request.changeSessionId();
        }
        SecurityContext context = SecurityContextHolder.createEmptyContext();
        context.setAuthentication(UsernamePasswordAuthenticationToken.authenticated(person, null, List.of()));
        SecurityContextHolder.setContext(context);
        new HttpSessionSecurityContextRepository().saveContext(context, request, response);
        sessions.begin(request.getSession(), id, clients.of(request));
        complete(person, way, request, response);
    }

    /** Somebody tried to be whoever has this e-mail, and was refused. */
    @Transactional
    public void refuse(String email, SignInWay way, HttpServletRequest request) {
        people.findByEmail(email.strip().toLowerCase(Locale.ROOT))
                .ifPresent(person -> record(person.id(), way, false, clients.of(request)));
    }

    private void record(UUID person, SignInWay way, boolean succeeded, Clients.Client client) {
        Instant now = clock.instant();
        history.deleteByPersonIdAndAtBefore(person, now.minus(HISTORY_KEPT));
        history.save(new SignIn(person, way, succeeded, client, now));
    }

    @Transactional(readOnly = true)
    List<SignIn.Shown> of(UUID person) {
        return history.findByPersonIdOrderByAtDesc(person, Limit.of(SHOWN)).stream()
                .map(SignIn::shown)
                .toList();
    }
}
