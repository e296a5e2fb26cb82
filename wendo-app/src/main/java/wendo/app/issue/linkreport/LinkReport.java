package wendo.app.issue.linkreport;

import jakarta.persistence.Entity;
import java.time.Instant;
import java.util.Optional;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import wendo.app.platform.business.BusinessEntity;
import wendo.app.platform.site.FilterValues;

/** A report that was switched on once. Switched on again it has the address that it had. */
@Entity
@SuppressWarnings("UnusedVariable") // written for the database, not read in Java
class LinkReport extends BusinessEntity {
    private String kind;
    private String subject;
    private String token;
    private boolean isOn;
    private boolean withOutcomes;
    private String period;
    private Instant createdAt;
    private String createdBy;
    private long opened;
    private @Nullable Instant openedAt;

    @SuppressWarnings("NullAway.Init")
    protected LinkReport() {}

    LinkReport(ReportSubject of, String token, Instant now, String by) {
        super(UUID.randomUUID());
        this.kind = of.kind().key();
        this.subject = of.key();
        this.token = token;
        this.period = "";
        this.createdAt = now;
        this.createdBy = by;
    }

    /**
     * @param withOutcomes whether it tells of leads, bookings and purchases too
     * @param query the part of an address that chooses its period
     */
    void show(boolean withOutcomes, String query) {
        this.isOn = true;
        this.withOutcomes = withOutcomes;
        this.period = query;
    }

    void switchOff() {
        this.isOn = false;
    }

    ReportSubject of() {
        return new ReportSubject(
                FilterValues.one(ReportSubject.Kind.values(), kind).orElseThrow(), subject);
    }

    boolean isOn() {
        return isOn;
    }

    boolean withOutcomes() {
        return withOutcomes;
    }

    String period() {
        return period;
    }

    String token() {
        return token;
    }

    long opened() {
        return opened;
    }

    Optional<Instant> openedAt() {
        return Optional.ofNullable(openedAt);
    }
}
