package wendo.app.money.partners;

import java.time.Clock;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import wendo.app.platform.business.BusinessId;
import wendo.app.platform.business.Businesses;
import wendo.app.platform.business.EditedVersion;
import wendo.app.platform.site.RandomToken;
import wendo.app.platform.site.Texts;
import wendo.app.prepare.sources.SourceListed;
import wendo.app.prepare.sources.Sources;
import wendo.core.links.Channel;
import wendo.core.partners.CommissionLedger;

/** The partners of the current business. */
@Service
public class Partners {
    private final PartnerRepository repository;
    private final TermsRepository terms;
    private final Sources sources;
    private final Commissions commissions;
    private final CommissionRows rows;
    private final OwedQueries owed;
    private final Businesses businesses;
    private final JdbcClient jdbc;
    private final Clock clock;

    Partners(
            PartnerRepository repository,
            TermsRepository terms,
            Sources sources,
            Commissions commissions,
            CommissionRows rows,
            OwedQueries owed,
            Businesses businesses,
            JdbcClient jdbc,
            Clock clock) {
        this.repository = repository;
        this.terms = terms;
        this.sources = sources;
        this.commissions = commissions;
        this.rows = rows;
        this.owed = owed;
        this.businesses = businesses;
        this.jdbc = jdbc;
        this.clock = clock;
    }

    /** A source of the channel becomes a partner; a new one is made where none is called so. */
    @Transactional
    public UUID add(String name, String by) {
        SourceListed source = sources.findOrCreate(name, Channel.PARTNER);
        Locale locale = businesses.current().locale();
        repository.save(new Partner(source.id(), locale.getLanguage(), clock.instant(), by));
        commissions.workOutAll(source.id());
        return source.id();
    }

    /** Somebody who becomes a partner with all that is known of them, and with the terms that another one has today. */
    public record Newcomer(String name, String contact, String email, String language, Optional<UUID> termsOf) {}

    /** A partner with an open page of its own. A name that a partner has already is refused by its unique key. */
    @Transactional
    public UUID welcome(Newcomer newcomer, String by) {
        SourceListed source = sources.findOrCreate(newcomer.name(), Channel.PARTNER);
        Partner partner = new Partner(source.id(), newcomer.language(), clock.instant(), by);
        partner.meet(new PartnerForm.Contact(newcomer.contact(), newcomer.email(), "", newcomer.language(), ""));
        partner.open(RandomToken.next(), new PageLook(true, false));
        repository.save(partner);
        LocalDate today = businesses.current().today(clock);
        newcomer.termsOf().ifPresent(other -> {
            List<AgreedTerms> all = commissions.agreed(other);
            Stream.of(TermsWay.values())
                    .flatMap(way -> AgreedTerms.on(today, way, all).stream())
                    .map(one -> new AgreedTerms(one.way(), today, one.lastDay(), one.terms()))
                    .forEach(one -> terms.save(new StoredTerms(source.id(), one, clock.instant(), by)));
        });
        commissions.workOutAll(source.id());
        return source.id();
    }

    /** Why nobody new can be a partner by this name: a source of another channel has it. */
    @Transactional(readOnly = true)
    public Optional<String> refusal(String name) {
        return sources.list().stream()
                .filter(one -> one.name().equalsIgnoreCase(name) && one.channel() != Channel.PARTNER)
                .findFirst()
                .map(one -> Texts.of("money.partners.other-channel", one.name()));
    }

    /** A partner by its name. */
    public record Named(UUID id, String name) {}

    /** Those that are not archived. */
    @Transactional(readOnly = true)
    public List<Named> named() {
        Set<UUID> active = repository.findAll().stream()
                .filter(one -> !one.isEnded())
                .map(Partner::id)
                .collect(Collectors.toSet());
        return sources.list().stream()
                .filter(one -> active.contains(one.id()))
                .map(one -> new Named(one.id(), one.name()))
                .toList();
    }

    /** What a partner is, as far as it is edited. */
    record Known(
            UUID id,
            int version,
            PartnerForm.Contact contact,
            PayoutDetails payout,
            Optional<String> pageToken,
            PageLook look) {
        private static Known of(Partner partner) {
            return new Known(
                    partner.id(),
                    partner.version(),
                    partner.contact(),
                    partner.payout(),
                    partner.pageToken(),
                    partner.look());
        }
    }

    @Transactional(readOnly = true)
    Optional<Known> find(UUID id) {
        return repository.findById(id).map(Known::of);
    }

    @Transactional
    void meet(UUID id, EditedVersion edited, PartnerForm.Contact contact) {
        Partner partner = still(id, edited);
        partner.meet(contact);
    }

    @Transactional
    void payBy(UUID id, EditedVersion edited, PayoutDetails payout) {
        still(id, edited).payBy(payout);
    }

    private Partner still(UUID id, EditedVersion edited) {
        Partner partner = repository.findById(id).orElseThrow();
        partner.mustStillBe(edited);
        return partner;
    }

    /** Opens its page, or changes what it shows; a page that is open keeps its address. */
    @Transactional
    void openPage(UUID id, PageLook look) {
        Partner partner = repository.findById(id).orElseThrow();
        partner.open(partner.pageToken().orElseGet(RandomToken::next), look);
    }

    /** The address answers nobody any more; opened again, the page has another. */
    @Transactional
    void closePage(UUID id) {
        Partner partner = repository.findById(id).orElseThrow();
        partner.open(null, partner.look());
    }

    @Transactional
    void end(UUID id, boolean away) {
        Partner partner = repository.findById(id).orElseThrow();
        if (away) {
            partner.end(clock.instant());
        } else {
            partner.resume();
        }
    }

    /** A version of its terms, and whether it can still be removed: nothing was settled by it. */
    record Version(UUID id, AgreedTerms agreed, String by, boolean isOpen) {}

    @Transactional(readOnly = true)
    List<Version> terms(UUID partner) {
        LocalDate firstOpen = rows.firstOpen(partner);
        return terms.findByPartnerIdOrderByFirstDayDescWay(partner).stream()
                .map(one -> new Version(
                        one.id(),
                        one.agreed(),
                        one.createdBy(),
                        !one.agreed().firstDay().isBefore(firstOpen)))
                .toList();
    }

    @Transactional(readOnly = true)
    LocalDate firstOpen(UUID partner) {
        return rows.firstOpen(partner);
    }

    /** Two of one way and day are refused by their unique key. */
    @Transactional
    void agree(UUID partner, List<AgreedTerms> agreed, String by) {
        commissions.lock();
        repository.lock(List.of(partner));
        agreed.forEach(one -> terms.save(new StoredTerms(partner, one, clock.instant(), by)));
        commissions.workOutAll(partner);
    }

    /** Terms that nothing was settled by can be taken back. */
    @Transactional
    void withdraw(UUID partner, UUID version) {
        commissions.lock();
        repository.lock(List.of(partner));
        terms.findById(version)
                .filter(one -> !one.agreed().firstDay().isBefore(rows.firstOpen(partner)))
                .ifPresent(terms::delete);
        commissions.workOutAll(partner);
    }

    /**
     * What terms would have cost.
     *
     * @param minor in minor units
     * @param nowMinor by the terms as they are
     */
    record Trial(long outcomes, long minor, long nowMinor, int days) {}

    /** What the partner's outcomes of the last days would have earned if these terms had held then. */
    @Transactional(readOnly = true)
    Trial tryOut(UUID partner, List<AgreedTerms> agreed, int days) {
        ZoneId zone = businesses.current().zone();
        LocalDate first = LocalDate.now(clock.withZone(zone)).minusDays(days - 1L);
        List<OwedQueries.Owed> outcomes = owed.of(new OwedQueries.Wanted(partner, Set.of(), true, true), zone).stream()
                .filter(one -> !one.owed().first().day().isBefore(first))
                .toList();
        List<AgreedTerms> always = agreed.stream()
                .map(one -> new AgreedTerms(one.way(), LocalDate.EPOCH, Optional.empty(), one.terms()))
                .toList();
        return new Trial(
                outcomes.size(),
                sum(Commissions.lines(outcomes, always)),
                sum(Commissions.lines(outcomes, commissions.agreed(partner))),
                days);
    }

    private static long sum(List<CommissionLedger.Entry> lines) {
        return lines.stream().mapToLong(CommissionLedger.Entry::minor).sum();
    }

    /** The partner whose page this is. */
    @Transactional(readOnly = true)
    public Optional<OwnPage> page(String token) {
        return repository
                .findByPageToken(token)
                .filter(one -> !one.isEnded())
                .map(one -> new OwnPage(
                        one.id(),
                        Locale.forLanguageTag(one.contact().language()),
                        one.look().withValues(),
                        one.look().byCode(),
                        one.contact().email()));
    }

    @Transactional
    public void opened(UUID partner) {
        repository.opened(partner, clock.instant());
    }

    @Transactional(readOnly = true)
    public String name(UUID partner) {
        return sources.find(partner).map(SourceListed::name).orElse("");
    }

    /** How a partner hears of something new on its page. */
    public record Reach(String email, String language, String token) {}

    /** Empty for one without an e-mail address, or without a page. */
    @Transactional(readOnly = true)
    public Optional<Reach> reach(UUID partner) {
        return repository
                .findById(partner)
                .filter(one -> !one.contact().email().isEmpty() && !one.isEnded())
                .flatMap(one -> one.pageToken()
                        .map(token ->
                                new Reach(one.contact().email(), one.contact().language(), token)));
    }

    /** Whose page this address is; asked by anybody. */
    @Transactional(readOnly = true)
    public Optional<BusinessId> businessOf(String token) {
        return jdbc.sql("select door_partner(?)")
                .param(token)
                .query(UUID.class)
                .optional()
                .map(BusinessId::new);
    }
}
