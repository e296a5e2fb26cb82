package wendo.app.money.partners;

import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import java.math.BigDecimal;
import java.time.Instant;
import java.time.LocalDate;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import wendo.app.platform.business.BusinessEntity;
import wendo.core.partners.CommissionBase;
import wendo.core.partners.CommissionTerms;

/** A version of a partner's terms. */
@Entity
@Table(name = "partner_terms")
@SuppressWarnings("UnusedVariable") // written for the database, not read in Java
class StoredTerms extends BusinessEntity {
    private UUID partnerId;
    private String way;
    private LocalDate firstDay;
    private @Nullable LocalDate lastDay;
    private String rates;
    private BigDecimal taxPercent;
    private boolean withoutDelivery;
    private String items;
    private @Nullable Long mostPerOutcomeMinor;
    private @Nullable Long mostPerMonthMinor;
    private boolean firstOnly;
    private int heldDays;
    private Instant createdAt;
    private String createdBy;

    @SuppressWarnings("NullAway.Init")
    protected StoredTerms() {}

    @SuppressWarnings("NullAway.Init")
    StoredTerms(UUID partner, AgreedTerms agreed, Instant now, String by) {
        super(UUID.randomUUID());
        CommissionTerms terms = agreed.terms();
        this.partnerId = partner;
        this.way = agreed.way().key();
        this.firstDay = agreed.firstDay();
        this.lastDay = agreed.lastDay().orElse(null);
        this.rates = RatesText.of(terms.rates());
        this.taxPercent = terms.base().taxPercent();
        this.withoutDelivery = terms.base().withoutDelivery();
        this.items = String.join("\n", terms.base().items());
        this.mostPerOutcomeMinor = minor(terms.mostPerOutcomeMinor());
        this.mostPerMonthMinor = minor(terms.mostPerMonthMinor());
        this.firstOnly = terms.firstOnly();
        this.heldDays = terms.heldDays();
        this.createdAt = now;
        this.createdBy = by;
    }

    private static @Nullable Long minor(OptionalLong minor) {
        return minor.isPresent() ? minor.getAsLong() : null;
    }

    private static OptionalLong minor(@Nullable Long minor) {
        return minor == null ? OptionalLong.empty() : OptionalLong.of(minor);
    }

    AgreedTerms agreed() {
        List<String> some = items.isEmpty() ? List.of() : Arrays.asList(items.split("\n"));
        return new AgreedTerms(
                TermsWay.of(way),
                firstDay,
                Optional.ofNullable(lastDay),
                new CommissionTerms(
                        RatesText.read(rates),
                        new CommissionBase(taxPercent, withoutDelivery, some),
                        minor(mostPerOutcomeMinor),
                        minor(mostPerMonthMinor),
                        firstOnly,
                        heldDays));
    }

    Instant createdAt() {
        return createdAt;
    }

    String createdBy() {
        return createdBy;
    }
}
