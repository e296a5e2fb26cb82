package wendo.app.money.registration;

import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.UUID;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import wendo.app.money.partners.Partners;
import wendo.app.platform.accounts.AccountMail;
import wendo.app.platform.business.BusinessId;
import wendo.app.platform.business.BusinessScope;
import wendo.app.platform.business.Businesses;
import wendo.app.platform.site.Installation;
import wendo.app.platform.site.RandomToken;
import wendo.app.platform.site.Texts;

/** Who would like to be a partner, and the public form where they say so. It is closed until somebody opens it. */
@Service
class Registrations {
    static final String WAITING = "waiting";
    static final String APPROVED = "approved";
    static final String DECLINED = "declined";

    /** So many wait at most: a form that anybody can fill in is filled in by programs too. */
    static final int MOST_WAITING = 200;

    private final RegistrationPageRepository pages;
    private final PartnerRegistrationRepository repository;
    private final Partners partners;
    private final Businesses businesses;
    private final Installation installation;
    private final ApplicationEventPublisher events;
    private final JdbcClient jdbc;
    private final Clock clock;

    Registrations(
            RegistrationPageRepository pages,
            PartnerRegistrationRepository repository,
            Partners partners,
            Businesses businesses,
            Installation installation,
            ApplicationEventPublisher events,
            JdbcClient jdbc,
            Clock clock) {
        this.pages = pages;
        this.repository = repository;
        this.partners = partners;
        this.businesses = businesses;
        this.installation = installation;
        this.events = events;
        this.jdbc = jdbc;
        this.clock = clock;
    }

    /** The public form: its address if it is open, and what it says. */
    record Page(Optional<String> token, String words) {}

    @Transactional(readOnly = true)
    Page page() {
        return pages.findFirstBy()
                .map(one -> new Page(one.token(), one.words()))
                .orElseGet(() -> new Page(Optional.empty(), ""));
    }

    /** A form that is open keeps its address; closed and opened again, it has another. */
    @Transactional
    void open(boolean isOpen, String words) {
        RegistrationPage page = pages.findFirstBy().orElseGet(RegistrationPage::fresh);
        page.become(isOpen ? Optional.of(page.token().orElseGet(RandomToken::next)) : Optional.empty(), words);
        pages.save(page);
    }

    @Transactional(readOnly = true)
    Optional<BusinessId> businessOf(String token) {
        return jdbc.sql("select door_partner_registration(?)")
                .param(token)
                .query(UUID.class)
                .optional()
                .map(BusinessId::new);
    }

    /** Whoever waits already is refused by the unique key of their e-mail address. */
    @Transactional
    boolean register(RegistrationForm form) {
        if (repository.countByState(WAITING) >= MOST_WAITING) {
            return false;
        }
        repository.save(new PartnerRegistration(form, clock.instant()));
        return true;
    }

    /** Somebody who waits for an answer. */
    record Waiting(UUID id, RegistrationForm form, Instant madeAt) {}

    @Transactional(readOnly = true)
    List<Waiting> waiting() {
        return repository.findTop200ByStateOrderByMadeAtAscIdAsc(WAITING).stream()
                .map(one -> new Waiting(one.id(), one.form(), one.madeAt()))
                .toList();
    }

    /**
     * Makes a partner of somebody who waits, once: who tries again goes on where it stopped. A name that a partner has
     * already is refused by its unique key.
     */
    @Transactional
    Optional<UUID> partner(UUID id, String name, Optional<UUID> termsOf, String by) {
        Optional<PartnerRegistration> found = repository.findById(id).filter(PartnerRegistration::isWaiting);
        return found.map(one -> one.partner().orElseGet(() -> {
            RegistrationForm form = one.form();
            UUID partner = partners.welcome(
                    new Partners.Newcomer(name, form.contact(), form.email(), form.language(), termsOf), by);
            one.becomes(partner);
            return partner;
        }));
    }

    /** The partner that was made of somebody who still waits. */
    @Transactional(readOnly = true)
    Optional<UUID> known(UUID id) {
        return repository.findById(id).filter(PartnerRegistration::isWaiting).flatMap(PartnerRegistration::partner);
    }

    /** What somebody who is a partner now gets to know. */
    record Welcome(String link, String code) {}

    @Transactional
    void approve(UUID id, Welcome welcome, String by) {
        PartnerRegistration one = repository.findById(id).orElseThrow();
        if (!one.isWaiting()) {
            return;
        }
        one.decide(APPROVED, clock.instant(), by);
        one.partner().flatMap(partners::reach).ifPresent(reach -> {
            Locale reader = Locale.forLanguageTag(reach.language());
            String business = businesses.current().name();
            events.publishEvent(new AccountMail(
                    BusinessScope.current(),
                    reach.email(),
                    Texts.in(reader, "money.registration.welcome-subject", business),
                    Texts.in(
                            reader,
                            "money.registration.welcome",
                            business,
                            installation.origin() + "/t/partners/" + reach.token(),
                            welcome.link().isEmpty() ? "none" : "some",
                            welcome.link(),
                            welcome.code().isEmpty() ? "none" : "some",
                            welcome.code())));
        });
    }

    @Transactional
    void decline(UUID id, String by) {
        repository
                .findById(id)
                .filter(PartnerRegistration::isWaiting)
                .ifPresent(one -> one.decide(DECLINED, clock.instant(), by));
    }
}
