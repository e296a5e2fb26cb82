package wendo.app.money.spend;

import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import java.time.Instant;
import java.time.LocalDate;
import java.util.Optional;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import wendo.app.platform.business.BusinessEntity;
import wendo.core.measure.UnitPrice;

/** What something cost, as it was entered. */
@Entity
@Table(name = "spend")
@SuppressWarnings("UnusedVariable") // written for the database, not read in Java
class StoredSpend extends BusinessEntity {
    private @Nullable UUID sourceId;
    private @Nullable UUID linkId;
    private @Nullable UUID campaignId;
    private String sharedBy;
    private String way;
    private long amountMinor;
    private long unitMillis;
    private LocalDate firstDay;
    private @Nullable LocalDate lastDay;
    private String note;
    private String origin = "";
    private Instant createdAt;
    private String createdBy;
    private @Nullable Instant removedAt;

    @SuppressWarnings("NullAway.Init")
    protected StoredSpend() {}

    @SuppressWarnings("NullAway.Init")
    StoredSpend(Cost cost, Instant now, String by) {
        super(UUID.randomUUID());
        become(cost);
        this.createdAt = now;
        this.createdBy = by;
    }

    private void become(Cost cost) {
        this.sourceId = cost.source().orElse(null);
        this.linkId = cost.link().orElse(null);
        this.campaignId = cost.campaign().orElse(null);
        this.sharedBy = cost.sharedBy().map(SharedBy::key).orElse("");
        this.way = cost.way().key();
        this.amountMinor = cost.amountMinor();
        this.unitMillis = cost.price().millis();
        this.firstDay = cost.firstDay();
        this.lastDay = cost.lastDay().orElse(null);
        this.note = cost.note();
    }

    /** It keeps its link, unless the corrected entry is of another source. */
    void correct(Cost cost) {
        Optional<UUID> link =
                cost.source().filter(source -> source.equals(sourceId)).flatMap(same -> Optional.ofNullable(linkId));
        become(cost);
        this.linkId = link.orElse(null);
    }

    /** Said by a file of this kind. */
    void cameFrom(String fileOrigin) {
        this.origin = fileOrigin;
    }

    void cost(long minor) {
        this.amountMinor = minor;
    }

    long amountMinor() {
        return amountMinor;
    }

    Optional<UUID> source() {
        return Optional.ofNullable(sourceId);
    }

    LocalDate firstDay() {
        return firstDay;
    }

    String note() {
        return note;
    }

    boolean isRemoved() {
        return removedAt != null;
    }

    void remove(Instant now) {
        this.removedAt = now;
    }

    void putBack() {
        this.removedAt = null;
    }

    Cost stored() {
        return new Cost(
                source(),
                Optional.ofNullable(linkId),
                Optional.ofNullable(campaignId),
                SharedBy.find(sharedBy),
                SpendWay.find(way).orElseThrow(),
                amountMinor,
                new UnitPrice(unitMillis),
                firstDay,
                Optional.ofNullable(lastDay),
                note);
    }
}
