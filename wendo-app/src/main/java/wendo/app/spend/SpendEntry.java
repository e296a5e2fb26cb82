package wendo.app.spend;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import java.time.LocalDate;
import java.util.UUID;
import wendo.app.business.BusinessId;
import wendo.core.measure.LumpSpend;

@Entity
@SuppressWarnings("UnusedVariable") // the database reads them
@Table(name = "spend")
class SpendEntry {
    @Id
    private UUID id;

    @Column(nullable = false)
    private UUID businessId;

    private UUID sourceId;
    private long amountMinor;
    private LocalDate firstDay;
    private LocalDate lastDay;
    private String note;
    private Instant createdAt;
    private String createdBy;

    @SuppressWarnings("NullAway.Init")
    protected SpendEntry() {}

    SpendEntry(BusinessId business, UUID source, LumpSpend lump, String note, String createdBy, Instant createdAt) {
        this.id = UUID.randomUUID();
        this.businessId = business.value();
        this.sourceId = source;
        this.amountMinor = lump.amountMinor();
        this.firstDay = lump.period().startInclusive();
        this.lastDay = lump.period().lastDay();
        this.note = note;
        this.createdBy = createdBy;
        this.createdAt = createdAt;
    }

    UUID id() {
        return id;
    }
}
