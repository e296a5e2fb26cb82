package wendo.app.platform.accounts;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import jakarta.servlet.http.HttpSession;
import java.time.Clock;
import java.time.Duration;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.security.core.userdetails.UserDetailsService;
import org.springframework.security.core.userdetails.UsernameNotFoundException;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import wendo.app.platform.business.BusinessId;
import wendo.app.platform.site.Texts;

/** The people who sign in, and the businesses they work for. */
@Service
public class Accounts implements UserDetailsService {
    /** How long somebody who was taken out of a business may still see it, and another process speak as before. */
    private static final Duration MEMBERSHIPS_KEPT = Duration.ofSeconds(10);

    private final JdbcClient jdbc;
    private final PersonRepository people;
    private final MembershipRepository memberships;
    private final PasskeyRepository passkeys;
    private final PasswordEncoder passwords;
    private final Clock clock;
    private final Cache<UUID, List<Membership>> kept = Caffeine.newBuilder()
            .expireAfterWrite(MEMBERSHIPS_KEPT)
            .maximumSize(10_000)
            .build();

    private final Cache<UUID, Spoken> spoken = Caffeine.newBuilder()
            .expireAfterWrite(MEMBERSHIPS_KEPT)
            .maximumSize(10_000)
            .build();

    Accounts(
            JdbcClient jdbc,
            PersonRepository people,
            MembershipRepository memberships,
            PasskeyRepository passkeys,
            PasswordEncoder passwords,
            Clock clock) {
        this.jdbc = jdbc;
        this.people = people;
        this.memberships = memberships;
        this.passkeys = passkeys;
        this.passwords = passwords;
        this.clock = clock;
    }

    @Override
    @Transactional(readOnly = true)
    public SignedIn loadUserByUsername(String email) {
        return people.findByEmail(email.strip().toLowerCase(Locale.ROOT))
                .map(Person::signedIn)
                .orElseThrow(() -> new UsernameNotFoundException("No such person"));
    }

    @Transactional(readOnly = true)
    List<Membership> memberships(UUID person) {
        return kept.get(
                person,
                id -> jdbc.sql("select business_id, business_name, role, needs_second_factor from door_memberships(?)")
                        .param(id)
                        .query((row, number) -> new Membership(
                                new BusinessId(row.getObject(1, UUID.class)),
                                row.getString(2),
                                Role.of(row.getString(3)),
                                row.getBoolean(4)))
                        .list());
    }

    /**
     * What a person is called, and the language that they chose.
     *
     * @param language empty for what their browser asks for
     */
    record Spoken(String name, String email, Optional<Locale> language) {
        static Spoken of(Person person) {
            return new Spoken(
                    person.name(),
                    person.email(),
                    Optional.of(person.language()).filter(tag -> !tag.isEmpty()).map(Locale::forLanguageTag));
        }
    }

    @Transactional(readOnly = true)
    Spoken spoken(UUID person) {
        return spoken.get(
                person, id -> people.findById(id).map(Spoken::of).orElse(new Spoken("", "", Optional.empty())));
    }

    /** @param tag of an offered language; anything else, and the browser decides again */
    @Transactional
    void speak(UUID person, String tag) {
        boolean isOffered =
                Texts.OFFERED.stream().anyMatch(one -> one.toLanguageTag().equals(tag));
        people.findById(person).ifPresent(one -> one.speak(isOffered ? tag : ""));
        spoken.invalidate(person);
    }

    @Transactional(readOnly = true)
    public boolean isEmpty() {
        return people.count() == 0;
    }

    @Transactional
    public UUID register(String email, String name, String password) {
        Person person = new Person(
                email.strip().toLowerCase(Locale.ROOT),
                name,
                passwords.encode(PasswordRules.normal(password)),
                clock.instant());
        people.save(person);
        return person.id();
    }

    /** Somebody who signs in by a passkey that they are about to add, and knows no password. */
    @Transactional
    public UUID register(String email, String name) {
        UUID id = register(email, name, Credentials.unknownPassword());
        people.findById(id).orElseThrow().setPassword(passwords.encode(Credentials.unknownPassword()), false);
        return id;
    }

    /** Who has this e-mail. */
    @Transactional(readOnly = true)
    public Optional<UUID> find(String email) {
        return people.findByEmail(email.strip().toLowerCase(Locale.ROOT)).map(Person::id);
    }

    @Transactional
    void rename(UUID person, String name) {
        people.findById(person).orElseThrow().rename(name);
        spoken.invalidate(person);
    }

    /** Nobody else's: a unique key sees to it. Answers the e-mail from before. */
    @Transactional
    String changeEmail(UUID person, String email) {
        Person one = people.findById(person).orElseThrow();
        String before = one.email();
        one.writeTo(email);
        spoken.invalidate(person);
        return before;
    }

    /** Everybody who works for the current business, by name. */
    @Transactional(readOnly = true)
    public List<Colleague> colleagues() {
        return jdbc.sql("""
                        select p.id, p.name, p.email, m.role
                        from membership m join person p on p.id = m.person_id order by p.name, p.id
                        """)
                .query((row, number) -> new Colleague(
                        row.getObject(1, UUID.class), row.getString(2), row.getString(3), Role.of(row.getString(4))))
                .list();
    }

    /** Makes a person work for the business in whose scope this is called. */
    @Transactional
    public void join(UUID person, Role role) {
        memberships.save(new StoredMembership(person, role));
        kept.invalidate(person);
    }

    /** What they may do from now on in the current business. False, and nothing happens, if it had no owner then. */
    @Transactional
    public boolean change(UUID person, Role role) {
        StoredMembership membership = memberships.findByPersonId(person).orElseThrow();
        if (role != Role.OWNER && isLastOwner(membership)) {
            return false;
        }
        membership.become(role);
        kept.invalidate(person);
        return true;
    }

    /** Takes them out of the current business. False, and nothing happens, if it had no owner then. */
    @Transactional
    public boolean leave(UUID person) {
        StoredMembership membership = memberships.findByPersonId(person).orElseThrow();
        if (isLastOwner(membership)) {
            return false;
        }
        memberships.delete(membership);
        kept.invalidate(person);
        return true;
    }

    @Transactional
    public boolean isLastOwner(UUID person) {
        return memberships.findByPersonId(person).filter(this::isLastOwner).isPresent();
    }

    /** Works for the current business already, or does so from now on. */
    @Transactional
    public void joinOnce(UUID person, Role role) {
        if (memberships.findByPersonId(person).isEmpty()) {
            join(person, role);
        }
    }

    @Transactional(readOnly = true)
    public boolean hasSecondFactor(UUID person) {
        return people.findById(person).filter(Person::hasCodes).isPresent() || passkeys.countByPersonId(person) > 0;
    }

    /** Works in this business from the next page on. */
    public void choose(HttpSession session, BusinessId business) {
        session.setAttribute(BusinessFilter.CHOSEN, business);
    }

    /** Who is signed in, whether they work for a business or not. */
    public static Optional<UUID> signedIn() {
        return Optional.ofNullable(SecurityContextHolder.getContext().getAuthentication())
                .map(Authentication::getPrincipal)
                .filter(SignedIn.class::isInstance)
                .map(one -> ((SignedIn) one).id());
    }

    @Transactional(readOnly = true)
    public String name(UUID person) {
        return spoken(person).name();
    }

    /** What is wrong with a new password, of somebody called so; empty if it may be taken. */
    public static Optional<String> passwordFault(String password, String name, String email, String business) {
        return PasswordRules.fault(password, List.of("wendo", name, email, email.replaceFirst("@.*", ""), business));
    }

    private boolean isLastOwner(StoredMembership membership) {
        return membership.role() == Role.OWNER
                && memberships.lockByRole(Role.OWNER.key()).size() == 1;
    }
}
