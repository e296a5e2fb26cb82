package wendo.app.desk.welcome;

import java.net.URI;
import java.time.ZoneId;
import java.util.Locale;
import java.util.Optional;
import java.util.UUID;
import java.util.function.Function;
import org.joda.money.CurrencyUnit;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import wendo.app.issue.links.LinkHosts;
import wendo.app.platform.accounts.Accounts;
import wendo.app.platform.accounts.Role;
import wendo.app.platform.business.BusinessId;
import wendo.app.platform.business.BusinessScope;
import wendo.app.platform.business.Businesses;
import wendo.app.platform.business.UniqueKey;
import wendo.app.platform.site.Digest;
import wendo.app.platform.site.Installation;

/** Claims the installation for its first owner, once. */
@Service
class InstallationClaims {
    private final InstallationClaimRepository repository;
    private final Accounts accounts;
    private final Businesses businesses;
    private final LinkHosts hosts;
    private final BusinessScope scope;
    private final Installation installation;

    InstallationClaims(
            InstallationClaimRepository repository,
            Accounts accounts,
            Businesses businesses,
            LinkHosts hosts,
            BusinessScope scope,
            Installation installation) {
        this.repository = repository;
        this.accounts = accounts;
        this.businesses = businesses;
        this.hosts = hosts;
        this.scope = scope;
        this.installation = installation;
    }

    /** Only by this code from now on; what was said stays. */
    @Transactional
    public void offer(String code) {
        Optional<InstallationClaim> known = repository.findById(InstallationClaim.ONLY);
        InstallationClaim fresh = new InstallationClaim(Digest.of(code));
        known.map(InstallationClaim::form).ifPresent(fresh::become);
        repository.deleteById(InstallationClaim.ONLY);
        repository.flush();
        repository.save(fresh);
    }

    @Transactional(readOnly = true)
    public boolean isCode(String code) {
        return repository
                .findById(InstallationClaim.ONLY)
                .filter(claim -> claim.isCode(Digest.of(code)))
                .isPresent();
    }

    /** Whether nobody has an account yet. */
    @Transactional(readOnly = true)
    public boolean isOpen() {
        return accounts.isEmpty();
    }

    @Transactional(readOnly = true)
    public BusinessForm said() {
        return repository
                .findById(InstallationClaim.ONLY)
                .map(InstallationClaim::form)
                .orElseThrow();
    }

    @Transactional
    public void say(BusinessForm business) {
        repository.findById(InstallationClaim.ONLY).orElseThrow().become(business);
    }

    /**
     * Opens the business with its owner. Empty if somebody was faster.
     *
     * @param register makes the owner's account
     */
    public Optional<UUID> claim(Function<Accounts, UUID> register) {
        BusinessId id = new BusinessId(UUID.randomUUID());
        return scope.within(id, () -> {
            Optional<InstallationClaim> claim =
                    repository.findAndLockById(InstallationClaim.ONLY).filter(one -> accounts.isEmpty());
            claim.ifPresent(one -> repository.deleteById(InstallationClaim.ONLY));
            return claim.map(one -> open(id, one.form(), installation.linkOrigin(), register));
        });
    }

    /** One more business of somebody who has an account. Empty if the link domain is another business's. */
    Optional<BusinessId> openFor(UUID owner, BusinessForm form, String linkOrigin) {
        BusinessId id = new BusinessId(UUID.randomUUID());
        return UniqueKey.stored(() -> scope.within(id, () -> {
            open(id, form, linkOrigin, people -> owner);
            return id;
        }));
    }

    /** Opens a business with its owner. */
    void openNow(BusinessForm form, Function<Accounts, UUID> register) {
        BusinessId id = new BusinessId(UUID.randomUUID());
        scope.within(id, () -> open(id, form, installation.linkOrigin(), register));
    }

    /** A business with its owner and its first link domain. Call it in the scope of {@code id}. */
    private UUID open(BusinessId id, BusinessForm form, String linkOrigin, Function<Accounts, UUID> register) {
        businesses.open(
                id,
                form.name(),
                new Businesses.Habits(
                        CurrencyUnit.of(form.currency()), ZoneId.of(form.zone()), Locale.forLanguageTag(form.locale())),
                isOnThisMachine());
        UUID owner = register.apply(accounts);
        accounts.join(owner, Role.OWNER);
        hosts.open(linkOrigin);
        return owner;
    }

    /** Where nobody else reaches it, links may lead to pages that nobody else reaches. */
    private boolean isOnThisMachine() {
        return "localhost".equals(URI.create(installation.origin()).getHost());
    }
}
