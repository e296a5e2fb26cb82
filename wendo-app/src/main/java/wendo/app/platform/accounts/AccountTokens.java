package wendo.app.platform.accounts;

import java.time.Clock;
import java.time.Duration;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.UUID;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import wendo.app.platform.site.Digest;
import wendo.app.platform.site.Installation;
import wendo.app.platform.site.RandomToken;
import wendo.app.platform.site.Texts;

/** Addresses that are mailed to people and do one thing once. */
@Service
class AccountTokens {
    static final Duration PASSWORD_KEPT = Duration.ofHours(1);
    static final Duration EMAIL_KEPT = Duration.ofDays(1);

    private final AccountTokenRepository tokens;
    private final PersonRepository people;
    private final Accounts accounts;
    private final Installation installation;
    private final ApplicationEventPublisher events;
    private final Clock clock;

    AccountTokens(
            AccountTokenRepository tokens,
            PersonRepository people,
            Accounts accounts,
            Installation installation,
            ApplicationEventPublisher events,
            Clock clock) {
        this.tokens = tokens;
        this.people = people;
        this.accounts = accounts;
        this.installation = installation;
        this.events = events;
        this.clock = clock;
    }

    /** Mails the address where a new password is set, to whoever has this e-mail; to nobody if that is nobody. */
    @Transactional
    void mailPassword(String email) {
        people.findByEmail(email.strip().toLowerCase(Locale.ROOT)).ifPresent(person -> {
            String address = make(person.id(), AccountToken.Purpose.PASSWORD, "", PASSWORD_KEPT);
            mail(
                    person.id(),
                    person.email(),
                    Texts.of("platform.accounts.mail.password-subject"),
                    Texts.of("platform.accounts.mail.password", person.name(), address));
        });
    }

    /** Mails the address that confirms a new e-mail, to that e-mail. */
    @Transactional
    void mailEmail(UUID id, String email) {
        Person person = people.findById(id).orElseThrow();
        String address = make(id, AccountToken.Purpose.EMAIL, email, EMAIL_KEPT);
        mail(
                id,
                email,
                Texts.of("platform.accounts.mail.email-subject"),
                Texts.of("platform.accounts.mail.email", person.name(), address));
    }

    private String make(UUID person, AccountToken.Purpose purpose, String email, Duration kept) {
        tokens.deleteByPersonIdAndPurpose(person, purpose.key());
        String secret = RandomToken.next();
        tokens.save(new AccountToken(
                person, purpose, email, Digest.of(secret), clock.instant().plus(kept)));
        return "%s/sign-in/%s/%s".formatted(installation.origin(), purpose.key(), secret);
    }

    /** Whose it is, while it is good. */
    @Transactional(readOnly = true)
    Optional<UUID> find(String secret, AccountToken.Purpose purpose) {
        return tokens.findByTokenHash(Digest.of(secret))
                .filter(token -> token.isGood(purpose, clock.instant()))
                .map(AccountToken::personId);
    }

    /** Uses it up. */
    @Transactional
    Optional<AccountToken> use(String secret, AccountToken.Purpose purpose) {
        Optional<AccountToken> token =
                tokens.findAndLockByTokenHash(Digest.of(secret)).filter(one -> one.isGood(purpose, clock.instant()));
        token.ifPresent(one -> one.use(clock.instant()));
        return token;
    }

    /** To somebody about their account, in the name of the first business that they work for. */
    void mail(UUID person, String recipient, String subject, String body) {
        List<Membership> memberships = accounts.memberships(person);
        if (!memberships.isEmpty()) {
            events.publishEvent(new AccountMail(memberships.get(0).business(), recipient, subject, body));
        }
    }
}
