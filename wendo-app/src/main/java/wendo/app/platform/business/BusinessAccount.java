package wendo.app.platform.business;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import java.time.DayOfWeek;
import java.time.Instant;
import java.time.LocalTime;
import java.time.Month;
import java.time.ZoneId;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.UUID;
import org.joda.money.CurrencyUnit;
import org.jspecify.annotations.Nullable;
import wendo.core.handover.SendingHours;

/** A business with all that it has set. */
@Entity
@Table(name = "business")
@SuppressWarnings("UnusedVariable") // written for the database, not read in Java
class BusinessAccount {
    @Id
    private UUID id;

    @Version
    private @Nullable Integer version;

    private String name;
    private String currency;
    private String zone;
    private String locale;
    private String siteKey;
    private boolean allowsLocalDestinations;
    private Instant createdAt;
    private boolean keepsVisitorCookie = VisitKeeping.USUAL.keepsCookie();
    private int keepsVisitsMonths = VisitKeeping.USUAL.months();
    private LocalTime cutOff = LocalTime.of(17, 0);
    private LocalTime quietFrom = LocalTime.of(20, 0);
    private LocalTime quietUntil = LocalTime.of(8, 0);
    private @Nullable Long mostBelievedMinor;
    private boolean needsSecondFactor;
    private @Nullable Integer firstWeekday;
    private int firstMonth = Month.JANUARY.getValue();
    private @Nullable Instant exportedAt;
    private @Nullable Instant deletesAt;

    @Column(insertable = false, updatable = false) // made by the database
    private String siteSecret;

    @SuppressWarnings("NullAway.Init")
    protected BusinessAccount() {}

    @SuppressWarnings("NullAway.Init")
    BusinessAccount(Business opened, Instant now) {
        this.id = opened.id().value();
        this.name = opened.name();
        this.currency = opened.currency().getCode();
        this.zone = opened.zone().getId();
        this.locale = opened.locale().stripExtensions().toLanguageTag();
        this.firstMonth = opened.firstMonth().getValue();
        this.siteKey = opened.siteKey();
        this.allowsLocalDestinations = opened.allowsLocalDestinations();
        this.createdAt = now;
    }

    Business business() {
        return new Business(
                new BusinessId(id),
                name,
                CurrencyUnit.of(currency),
                ZoneId.of(zone),
                details().localeWithWeek(),
                Month.of(firstMonth),
                siteKey,
                allowsLocalDestinations,
                Optional.ofNullable(deletesAt));
    }

    BusinessDetails details() {
        return BusinessDetails.of(name, currency, zone, locale)
                .withCalendar(Optional.ofNullable(firstWeekday).map(DayOfWeek::of), Month.of(firstMonth));
    }

    void become(BusinessDetails details) {
        this.name = details.name();
        this.currency = details.currency().getCode();
        this.zone = details.zone().getId();
        this.locale = details.locale().toLanguageTag();
        this.firstWeekday = details.firstWeekday().map(DayOfWeek::getValue).orElse(null);
        this.firstMonth = details.firstMonth().getValue();
    }

    VisitKeeping visitKeeping() {
        return new VisitKeeping(keepsVisitorCookie, keepsVisitsMonths);
    }

    void keepVisits(VisitKeeping keeping) {
        this.keepsVisitorCookie = keeping.keepsCookie();
        this.keepsVisitsMonths = keeping.months();
    }

    SendingHours sendingHours() {
        return new SendingHours(cutOff, quietFrom, quietUntil, ZoneId.of(zone));
    }

    void sendAt(SendingHours hours) {
        this.cutOff = hours.cutOff();
        this.quietFrom = hours.quietFrom();
        this.quietUntil = hours.quietUntil();
    }

    OptionalLong mostBelievedMinor() {
        return mostBelievedMinor == null ? OptionalLong.empty() : OptionalLong.of(mostBelievedMinor);
    }

    void believe(OptionalLong minor) {
        this.mostBelievedMinor = minor.isPresent() ? minor.getAsLong() : null;
    }

    boolean needsSecondFactor() {
        return needsSecondFactor;
    }

    void needSecondFactor(boolean needed) {
        this.needsSecondFactor = needed;
    }

    Optional<Instant> exportedAt() {
        return Optional.ofNullable(exportedAt);
    }

    void exported(Instant now) {
        this.exportedAt = now;
    }

    void delete(Optional<Instant> at) {
        this.deletesAt = at.orElse(null);
    }

    String siteSecret() {
        return siteSecret;
    }
}
