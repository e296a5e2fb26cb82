package wendo.app.platform.business;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.security.SecureRandom;
import java.time.Clock;
import java.time.Duration;
import java.time.ZoneId;
import java.util.HexFormat;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.UUID;
import org.joda.money.CurrencyUnit;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import wendo.core.handover.SendingHours;

/** Finds and opens businesses. */
@Service
public class Businesses {
    /** Settings change by hand and rarely; other processes see a change after this. */
    private static final Duration KEPT = Duration.ofSeconds(10);

    private final BusinessRepository repository;
    private final JdbcClient jdbc;
    private final Clock clock;
    private final SecureRandom random = new SecureRandom();
    private final Cache<BusinessId, Business> kept =
            Caffeine.newBuilder().expireAfterWrite(KEPT).maximumSize(10_000).build();

    Businesses(BusinessRepository repository, JdbcClient jdbc, Clock clock) {
        this.repository = repository;
        this.jdbc = jdbc;
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

    /**
     * What cannot be changed any more: figures are counted by it.
     *
     * @param currency since there is money in it
     * @param zone since there are visits, whose days are counted in it
     */
    public record Fixed(boolean currency, boolean zone) {}

    @Transactional(readOnly = true)
    public Fixed fixed() {
        return jdbc.sql("""
                        select exists (select from outcome where value_minor <> 0) or exists (select from spend),
                            exists (select from visit_sum) or exists (select from outcome)
                        """)
                .query((row, number) -> new Fixed(row.getBoolean(1), row.getBoolean(2)))
                .single();
    }

    @Transactional(readOnly = true)
    public int detailsVersion() {
        return EditedVersion.ofContent(account().details());
    }

    /** What is fixed stays, whatever is typed. */
    @Transactional
    public void change(EditedVersion edited, BusinessDetails details) {
        BusinessAccount account = account();
        edited.mustBe(EditedVersion.ofContent(account.details()), "BusinessDetails");
        Fixed fixed = fixed();
        account.become(new BusinessDetails(
                details.name(),
                fixed.currency() ? account.details().currency() : details.currency(),
                fixed.zone() ? account.details().zone() : details.zone(),
                details.locale()));
        kept.invalidate(BusinessScope.current());
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

    /** What servers of the business's sites sign their reports with. */
    @Transactional(readOnly = true)
    public String siteSecret() {
        return account().siteSecret();
    }

    @Transactional(readOnly = true)
    public Optional<BusinessId> findBySiteKey(String siteKey) {
        return jdbc.sql("select door_site_key(?)")
                .param(siteKey)
                .query(UUID.class)
                .optional()
                .map(BusinessId::new);
    }

    /** Opens a business; call it in the scope of {@code id}. */
    @Transactional
    public Business open(
            BusinessId id, String name, CurrencyUnit currency, ZoneId zone, Locale locale, boolean allowsLocal) {
        byte[] key = new byte[10];
        random.nextBytes(key);
        Business business =
                new Business(id, name, currency, zone, locale, HexFormat.of().formatHex(key), allowsLocal);
        repository.save(new BusinessAccount(business, clock.instant()));
        return business;
    }
}
