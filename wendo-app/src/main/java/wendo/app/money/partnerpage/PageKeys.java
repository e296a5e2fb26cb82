package wendo.app.money.partnerpage;

import java.security.SecureRandom;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.Optional;
import java.util.UUID;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import wendo.app.money.partners.OwnPage;
import wendo.app.platform.accounts.AccountMail;
import wendo.app.platform.business.BusinessScope;
import wendo.app.platform.business.Businesses;
import wendo.app.platform.site.Digest;
import wendo.app.platform.site.RandomToken;
import wendo.app.platform.site.Texts;

/** One-time codes by mail for partners' pages that ask for one. */
@Service
class PageKeys {
    static final Duration CODE_HOLDS = Duration.ofMinutes(15);
    static final Duration KEY_HOLDS = Duration.ofDays(30);
    private static final int CODES = 1_000_000;

    private final PartnerPageKeyRepository repository;
    private final Businesses businesses;
    private final ApplicationEventPublisher events;
    private final Clock clock;
    private final SecureRandom random = new SecureRandom();

    PageKeys(
            PartnerPageKeyRepository repository, Businesses businesses, ApplicationEventPublisher events, Clock clock) {
        this.repository = repository;
        this.businesses = businesses;
        this.events = events;
        this.clock = clock;
    }

    @Transactional(readOnly = true)
    boolean isOpen(UUID partner, String key) {
        return repository.existsByPartnerIdAndKeyDigestAndExpiresAtAfter(partner, Digest.of(key), clock.instant());
    }

    /** A new code takes the place of one that was never given back. */
    @Transactional
    void send(OwnPage own) {
        Instant now = clock.instant();
        String code = "%06d".formatted(random.nextInt(CODES));
        repository.forgetOld(own.partner(), now);
        repository.save(new PartnerPageKey(own.partner(), code, now.plus(CODE_HOLDS)));
        String business = businesses.current().name();
        events.publishEvent(new AccountMail(
                BusinessScope.current(),
                own.email(),
                Texts.in(own.language(), "money.partnerpage.code-mail-subject", business),
                Texts.in(own.language(), "money.partnerpage.code-mail", business, code, CODE_HOLDS.toMinutes())));
    }

    /** The key for the browser if this is the code that went out. */
    @Transactional
    Optional<String> give(UUID partner, String code) {
        Instant now = clock.instant();
        return repository
                .findFirstByPartnerIdAndKeyDigestIsNullOrderByExpiresAtDesc(partner)
                .filter(one -> one.takes(code, now))
                .map(one -> {
                    String key = RandomToken.next();
                    one.openedWith(key, now.plus(KEY_HOLDS));
                    return key;
                });
    }
}
