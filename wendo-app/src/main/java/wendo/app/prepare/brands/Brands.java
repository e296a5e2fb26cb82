package wendo.app.prepare.brands;

import java.net.URI;
import java.time.Clock;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.UUID;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import wendo.app.platform.business.EditedVersion;

/** The brands of the current business. */
@Service
public class Brands {
    private final BrandRepository repository;
    private final ApplicationEventPublisher events;
    private final Clock clock;

    Brands(BrandRepository repository, ApplicationEventPublisher events, Clock clock) {
        this.repository = repository;
        this.events = events;
        this.clock = clock;
    }

    @Transactional(readOnly = true)
    public List<BrandListed> list() {
        return repository.findByRemovedAtIsNullOrderByNameAscIdAsc().stream()
                .map(Brand::listed)
                .toList();
    }

    /** Whose site this address leads to, if it is one of a brand's. */
    public static Optional<BrandListed> ofSite(List<BrandListed> brands, String address) {
        String host = host(address);
        return brands.stream().filter(one -> one.sites().contains(host)).findFirst();
    }

    private static String host(String address) {
        try {
            return Optional.ofNullable(URI.create(address).getHost())
                    .map(name -> name.toLowerCase(Locale.ROOT).replaceFirst("^www\\.(?=.)", ""))
                    .orElse("");
        } catch (IllegalArgumentException e) {
            return "";
        }
    }

    @Transactional(readOnly = true)
    public Optional<BrandListed> find(UUID id) {
        return repository.findByIdAndRemovedAtIsNull(id).map(Brand::listed);
    }

    /** As it would be typed. */
    @Transactional(readOnly = true)
    Optional<BrandForm> form(UUID id) {
        return repository.findByIdAndRemovedAtIsNull(id).map(Brand::form);
    }

    @Transactional(readOnly = true)
    int version(UUID id) {
        return repository.findByIdAndRemovedAtIsNull(id).map(Brand::version).orElse(0);
    }

    /** Refused by a unique key if another one has this name. */
    @Transactional
    public UUID add(BrandForm form, String by) {
        Brand brand = repository.saveAndFlush(new Brand(form, by, clock.instant()));
        events.publishEvent(new BrandsChanged());
        return brand.id();
    }

    /** Refused by a unique key if another one has this name. */
    @Transactional
    void change(UUID id, EditedVersion edited, BrandForm form) {
        Brand brand = repository.findByIdAndRemovedAtIsNull(id).orElseThrow();
        brand.mustStillBe(edited);
        brand.become(form);
        save(brand);
    }

    private void save(Brand brand) {
        repository.saveAndFlush(brand);
        events.publishEvent(new BrandsChanged());
    }

    @Transactional
    void show(UUID id, Optional<byte[]> logo) {
        repository.findByIdAndRemovedAtIsNull(id).ifPresent(brand -> {
            brand.show(logo);
            save(brand);
        });
    }

    /** Its domains and links go on in the business's own name. */
    @Transactional
    void remove(UUID id) {
        repository.findByIdAndRemovedAtIsNull(id).ifPresent(brand -> {
            brand.remove(clock.instant());
            save(brand);
        });
    }
}
