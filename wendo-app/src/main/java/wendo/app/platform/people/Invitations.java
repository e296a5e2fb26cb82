package wendo.app.platform.people;

import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import wendo.app.platform.accounts.AccountMail;
import wendo.app.platform.accounts.Accounts;
import wendo.app.platform.accounts.Role;
import wendo.app.platform.business.BusinessId;
import wendo.app.platform.business.BusinessScope;
import wendo.app.platform.business.Businesses;
import wendo.app.platform.site.Digest;
import wendo.app.platform.site.Installation;
import wendo.app.platform.site.RandomToken;
import wendo.app.platform.site.Texts;

/** Invitations to work for a business. */
@Service
class Invitations {
    private final InvitationRepository repository;
    private final Accounts accounts;
    private final Businesses businesses;
    private final BusinessScope scope;
    private final JdbcClient jdbc;
    private final Installation installation;
    private final ApplicationEventPublisher events;
    private final Clock clock;

    Invitations(
            InvitationRepository repository,
            Accounts accounts,
            Businesses businesses,
            BusinessScope scope,
            JdbcClient jdbc,
            Installation installation,
            ApplicationEventPublisher events,
            Clock clock) {
        this.repository = repository;
        this.accounts = accounts;
        this.businesses = businesses;
        this.scope = scope;
        this.jdbc = jdbc;
        this.installation = installation;
        this.events = events;
        this.clock = clock;
    }

    /**
     * One that is not accepted yet.
     *
     * @param expiresAt empty once it is over
     */
    record Shown(UUID id, String email, Role role, String invitedBy, Instant invitedAt, Optional<Instant> expiresAt) {}

    /** One as the invited person sees it, and the business that it is to. */
    record Opened(BusinessId business, String businessName, Shown invitation) {}

    @Transactional(readOnly = true)
    List<Shown> open() {
        Instant now = clock.instant();
        return repository.findByAcceptedAtIsNullAndRevokedAtIsNullOrderByInvitedAtDesc().stream()
                .map(one -> one.shown(now))
                .toList();
    }

    /** Answers the address, which goes out by mail and cannot be had again. A second open one to an e-mail is refused by its unique key. */
    @Transactional
    String invite(String email, Role role, String by) {
        return send(new Invitation(email, role), by);
    }

    /** Its address from before is good no more. */
    @Transactional
    Optional<String> sendAgain(UUID id, String by) {
        return repository.findById(id).filter(Invitation::isOpen).map(one -> send(one, by));
    }

    private String send(Invitation invitation, String by) {
        String secret = RandomToken.next();
        invitation.send(Digest.of(secret), by, clock.instant());
        repository.save(invitation);
        String address = installation.origin() + "/sign-in/invitation/" + secret;
        Shown shown = invitation.shown(clock.instant());
        String business = businesses.current().name();
        events.publishEvent(new AccountMail(
                BusinessScope.current(),
                shown.email(),
                Texts.of("platform.people.mail.subject", business),
                Texts.of("platform.people.mail.body", by, business, address)));
        return address;
    }

    @Transactional
    boolean revoke(UUID id) {
        Optional<Invitation> open = repository.findById(id).filter(Invitation::isOpen);
        open.ifPresent(one -> one.revoke(clock.instant()));
        return open.isPresent();
    }

    /** Who opens one is not signed in yet. */
    @Transactional(readOnly = true)
    Optional<Opened> find(String secret) {
        String hash = Digest.of(secret);
        return jdbc.sql("select business_id, business_name from door_invitation(?)")
                .param(hash)
                .query((row, number) ->
                        new BusinessNamed(new BusinessId(row.getObject(1, UUID.class)), row.getString(2)))
                .optional()
                .flatMap(found -> scope.within(
                        found.id(),
                        () -> repository
                                .findByTokenHash(hash)
                                .filter(one -> one.isGood(clock.instant()))
                                .map(one -> new Opened(found.id(), found.name(), one.shown(clock.instant())))));
    }

    private record BusinessNamed(BusinessId id, String name) {}

    /** The person works for the business from now on. Empty if somebody accepted it first. */
    Optional<BusinessId> accept(String secret, UUID person) {
        return find(secret)
                .flatMap(opened -> scope.within(opened.business(), () -> {
                    Optional<Invitation> good = repository
                            .findAndLockByTokenHash(Digest.of(secret))
                            .filter(one -> one.isGood(clock.instant()));
                    good.ifPresent(one -> {
                        one.accept(clock.instant());
                        accounts.joinOnce(person, opened.invitation().role());
                    });
                    return good.map(one -> opened.business());
                }));
    }
}
