package wendo.app.prepare.brands;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import wendo.app.platform.business.BusinessEntity;

/** A name that a business trades under. */
@Entity
@SuppressWarnings("UnusedVariable") // written for the database, not read in Java
class Brand extends BusinessEntity {
    private String name = "";
    private byte @Nullable [] logo;
    private int edition;
    private String[] sites = {};
    private boolean asks;

    @Column(updatable = false)
    private Instant madeAt;

    @Column(updatable = false)
    private String madeBy;

    private @Nullable Instant removedAt;

    @SuppressWarnings("NullAway.Init")
    protected Brand() {}

    Brand(BrandForm form, String by, Instant now) {
        super(UUID.randomUUID());
        this.madeAt = now;
        this.madeBy = by;
        become(form);
    }

    final void become(BrandForm form) {
        this.name = form.name();
        this.sites = form.siteList().toArray(String[]::new);
        this.asks = form.asks();
    }

    /** Another edition, so that nobody's browser shows an old one. */
    void show(Optional<byte[]> png) {
        this.logo = png.map(byte[]::clone).orElse(null);
        this.edition++;
    }

    void remove(Instant now) {
        this.removedAt = now;
    }

    BrandForm form() {
        return new BrandForm(name, String.join("\n", sites), asks);
    }

    BrandListed listed() {
        return new BrandListed(
                id(), name, List.of(sites), asks, logo == null ? "" : "/t/brands/%s.png?%d".formatted(id(), edition));
    }
}
