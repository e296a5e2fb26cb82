package wendo.app.platform.accounts;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpSession;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.Comparator;
import java.util.List;
import java.util.Objects;
import java.util.UUID;
import org.springframework.session.FindByIndexNameSessionRepository;
import org.springframework.session.Session;
import org.springframework.stereotype.Component;
import wendo.app.platform.site.Digest;

/** Where people are signed in. Sessions are in the database, so one that is ended is ended in every process. */
@Component
class Sessions {
    /** However often it is used, a session ends after this; one that is not used, after the time-out that is set. */
    static final Duration LONGEST = Duration.ofDays(90);

    /** How long somebody who said who they are is not asked again. */
    private static final Duration CONFIRMED = Duration.ofMinutes(15);

    private static final String BROWSER = "wendo.browser";
    private static final String COUNTRY = "wendo.country";
    private static final String CODE_GIVEN = "wendo.codeGiven";
    private static final String CONFIRMED_AT = "wendo.confirmedAt";

    private final FindByIndexNameSessionRepository<? extends Session> repository;
    private final Clock clock;

    Sessions(FindByIndexNameSessionRepository<? extends Session> repository, Clock clock) {
        this.repository = repository;
        this.clock = clock;
    }

    /**
     * Where somebody is signed in.
     *
     * @param key names it on a page; the identifier itself would let its reader in
     */
    record Shown(String key, String browser, String country, Instant began, Instant lastUsed, boolean isThis) {}

    /** Notes whose session it is and where it is used. */
    void begin(HttpSession session, UUID person, Clients.Client client) {
        session.setAttribute(FindByIndexNameSessionRepository.PRINCIPAL_NAME_INDEX_NAME, person.toString());
        session.setAttribute(BROWSER, client.browser());
        session.setAttribute(COUNTRY, client.country());
    }

    void confirm(HttpSession session) {
        session.setAttribute(CONFIRMED_AT, clock.instant());
    }

    boolean isConfirmed(HttpSession session) {
        return session.getAttribute(CONFIRMED_AT) instanceof Instant at
                && clock.instant().isBefore(at.plus(CONFIRMED));
    }

    static void giveCode(HttpSession session) {
        session.setAttribute(CODE_GIVEN, true);
    }

    static boolean isCodeGiven(HttpSession session) {
        return Boolean.TRUE.equals(session.getAttribute(CODE_GIVEN));
    }

    boolean isTooOld(HttpSession session) {
        return Instant.ofEpochMilli(session.getCreationTime()).plus(LONGEST).isBefore(clock.instant());
    }

    /** Those of a person, the last used first. */
    List<Shown> of(UUID person, HttpServletRequest request) {
        String current = request.getSession().getId();
        return repository.findByPrincipalName(person.toString()).values().stream()
                .map(one -> new Shown(
                        Digest.half(one.getId()),
                        text(one, BROWSER),
                        text(one, COUNTRY),
                        one.getCreationTime(),
                        one.getLastAccessedTime(),
                        one.getId().equals(current)))
                .sorted(Comparator.comparing(Shown::lastUsed).reversed())
                .toList();
    }

    private static String text(Session session, String attribute) {
        return Objects.requireNonNullElse(session.getAttribute(attribute), "");
    }

    /** Ends one of a person's sessions. Answers whether there was such a one. */
    boolean end(UUID person, String key) {
        List<String> ids =
                ids(person).stream().filter(id -> Digest.half(id).equals(key)).toList();
        ids.forEach(repository::deleteById);
        return !ids.isEmpty();
    }

    void endAll(UUID person) {
        ids(person).forEach(repository::deleteById);
    }

    void endOthers(UUID person, HttpSession current) {
        ids(person).stream().filter(id -> !id.equals(current.getId())).forEach(repository::deleteById);
    }

    private List<String> ids(UUID person) {
        return List.copyOf(repository.findByPrincipalName(person.toString()).keySet());
    }
}
