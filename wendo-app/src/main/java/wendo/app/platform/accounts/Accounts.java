package wendo.app.platform.accounts;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.Clock;
import java.time.Duration;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
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
    private final PasswordEncoder passwords;
    private final Clock clock;
    private final Cache<UUID, List<Membership>> kept = Caffeine.newBuilder()
            .expireAfterWrite(MEMBERSHIPS_KEPT)
            .maximumSize(10_000)
            .build();

    private final Cache<UUID, Optional<Locale>> languages = Caffeine.newBuilder()
            .expireAfterWrite(MEMBERSHIPS_KEPT)
            .maximumSize(10_000)
            .build();

    Accounts(
            JdbcClient jdbc,
            PersonRepository people,
            MembershipRepository memberships,
            PasswordEncoder passwords,
            Clock clock) {
        this.jdbc = jdbc;
        this.people = people;
        this.memberships = memberships;
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
                id -> jdbc.sql("select business_id, business_name, role from door_memberships(?)")
                        .param(id)
                        .query((row, number) -> new Membership(
                                new BusinessId(row.getObject(1, UUID.class)),
                                row.getString(2),
                                Role.of(row.getString(3))))
                        .list());
    }

    /** The language that somebody chose; empty for what their browser asks for. */
    @Transactional(readOnly = true)
    Optional<Locale> language(UUID person) {
        return languages.get(
                person,
                id -> people.findById(id)
                        .map(Person::language)
                        .filter(tag -> !tag.isEmpty())
                        .map(Locale::forLanguageTag));
    }

    /** @param tag of an offered language; anything else, and the browser decides again */
    @Transactional
    void speak(UUID person, String tag) {
        boolean isOffered =
                Texts.OFFERED.stream().anyMatch(one -> one.toLanguageTag().equals(tag));
        people.findById(person).ifPresent(one -> one.speak(isOffered ? tag : ""));
        languages.invalidate(person);
    }

    @Transactional(readOnly = true)
    public boolean isEmpty() {
        return people.count() == 0;
    }

    @Transactional
    public UUID register(String email, String name, String password) {
        Person person =
                new Person(email.strip().toLowerCase(Locale.ROOT), name, passwords.encode(password), clock.instant());
        people.save(person);
        return person.id();
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
}
