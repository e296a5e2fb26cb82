package wendo.app.platform.business;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.security.SecureRandom;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.Month;
import java.time.ZoneId;
import java.util.HexFormat;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.UUID;
import org.joda.money.CurrencyUnit;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import wendo.core.handover.SendingHours;

/** Finds and opens businesses. */
@Service
public class Businesses {
    /** Settings change by hand and rarely; other processes see a change after this. */
    public static final Duration KEPT = Duration.ofSeconds(10);

    private final BusinessRepository repository;
    private final JdbcClient jdbc;
    private final ApplicationEventPublisher events;
    private final Clock clock;
    private final SecureRandom random = new SecureRandom();
    private final Cache<BusinessId, Business> kept =
            Caffeine.newBuilder().expireAfterWrite(KEPT).maximumSize(10_000).build();

    Businesses(BusinessRepository repository, JdbcClient jdbc, ApplicationEventPublisher events, Clock clock) {
        this.repository = repository;
        this.jdbc = jdbc;
        this.events = events;
        this.clock = clock;
    }

    /** The business this thread works for. */
    @Transactional(readOnly = true)
    public Business current() {
        return kept.get(BusinessScope.current(), wanted -> account().business());
    }

    /** Its language and way of writing; empty while it is being opened. */
    @Transactional(readOnly = true)
    public Optional<Locale> locale() {
        BusinessId id = BusinessScope.current();
        Optional<Business> known = Optional.ofNullable(kept.getIfPresent(id));
        if (known.isEmpty()) {
            known = repository.findById(id.value()).map(BusinessAccount::business);
            known.ifPresent(business -> kept.put(id, business));
        }
        return known.map(Business::locale);
    }

    private BusinessAccount account() {
        return repository.findById(BusinessScope.current().value()).orElseThrow();
    }

    /** Whether its currency cannot be changed any more, since there is money in it. */
    @Transactional(readOnly = true)
    public boolean hasMoney() {
        return jdbc.sql("select exists (select from outcome where value_minor <> 0) or exists (select from spend)")
                .query(Boolean.class)
                .single();
    }

    @Transactional(readOnly = true)
    public int detailsVersion() {
        return EditedVersion.ofContent(account().details());
    }

    /** A currency that there is money in stays, whatever is typed. */
    @Transactional
    public void change(EditedVersion edited, BusinessDetails details) {
        BusinessAccount account = account();
        BusinessDetails before = account.details();
        edited.mustBe(EditedVersion.ofContent(before), "BusinessDetails");
        account.become(hasMoney() ? details.withCurrency(before.currency()) : details);
        kept.invalidate(BusinessScope.current());
        if (!before.zone().equals(details.zone())) {
            events.publishEvent(new ZoneChanged(BusinessScope.current(), before.zone(), details.zone()));
        }
    }

    /** The hours in which messages may go out. */
    @Transactional(readOnly = true)
    public SendingHours sendingHours() {
        return account().sendingHours();
    }

    @Transactional
    public void changeSendingHours(EditedVersion edited, SendingHours hours) {
        edited.mustBe(EditedVersion.ofContent(account().sendingHours()), "SendingHours");
        account().sendAt(hours);
    }

    @Transactional(readOnly = true)
    public VisitKeeping visitKeeping() {
        return account().visitKeeping();
    }

    @Transactional
    public void changeVisitKeeping(EditedVersion edited, VisitKeeping keeping) {
        edited.mustBe(EditedVersion.ofContent(account().visitKeeping()), "VisitKeeping");
        account().keepVisits(keeping);
    }

    /** The greatest value of one report of a site that is believed, in minor units, if the business set one. */
    @Transactional(readOnly = true)
    public OptionalLong mostBelievedMinor() {
        return account().mostBelievedMinor();
    }

    @Transactional
    public void changeMostBelieved(EditedVersion edited, OptionalLong minor) {
        edited.mustBe(new MostBelieved(account().mostBelievedMinor()).version(), "MostBelieved");
        account().believe(minor);
    }

    /** Whether everybody who works for it needs a second factor. */
    @Transactional(readOnly = true)
    public boolean needsSecondFactor() {
        return account().needsSecondFactor();
    }

    @Transactional
    public void needSecondFactor(boolean needed) {
        account().needSecondFactor(needed);
    }

    /** When all that it has was last taken along. */
    @Transactional(readOnly = true)
    public Optional<Instant> exportedAt() {
        return account().exportedAt();
    }

    @Transactional
    public void exported() {
        account().exported(clock.instant());
    }

    /** It will be deleted then, or not at all. */
    @Transactional
    public void delete(Optional<Instant> at) {
        account().delete(at);
        kept.invalidate(BusinessScope.current());
    }

    /** Whether there still is such a business. */
    @Transactional(readOnly = true)
    public boolean isThere() {
        return locale().isPresent();
    }

    /** What servers of the business's sites sign their reports with. */
    @Transactional(readOnly = true)
    public String siteSecret() {
        return account().siteSecret();
    }

    /** All of the installation, for work that is done for each in turn. */
    public List<BusinessId> all() {
        return jdbc.sql("select business_id from door_businesses_keeping()")
                .query((row, number) -> new BusinessId(row.getObject(1, UUID.class)))
                .list();
    }

    @Transactional(readOnly = true)
    public Optional<BusinessId> findBySiteKey(String siteKey) {
        return jdbc.sql("select door_site_key(?)")
                .param(siteKey)
                .query(UUID.class)
                .optional()
                .map(BusinessId::new);
    }

    /** What a business counts money in, whose days it has, and how it writes. */
    public record Habits(CurrencyUnit currency, ZoneId zone, Locale locale) {}

    /** Opens a business; call it in the scope of {@code id}. */
    @Transactional
    public Business open(BusinessId id, String name, Habits habits, boolean allowsLocal) {
        byte[] key = new byte[10];
        random.nextBytes(key);
        Business business = new Business(
                id,
                name,
                habits.currency(),
                habits.zone(),
                habits.locale(),
                Month.JANUARY,
                HexFormat.of().formatHex(key),
                allowsLocal,
                Optional.empty());
        repository.save(new BusinessAccount(business, clock.instant()));
        return business;
    }
}
