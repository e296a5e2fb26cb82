package wendo.app.money.partners;

import jakarta.persistence.Entity;
import java.math.BigDecimal;
import java.time.Instant;
import java.util.Optional;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import wendo.app.platform.business.BusinessEntity;

/** A source that is somebody else. It has the identifier of its source. */
@Entity
@SuppressWarnings("UnusedVariable") // written for the database, not read in Java
class Partner extends BusinessEntity {
    private String contact = "";
    private String email = "";
    private String phone = "";
    private String language;
    private String note = "";
    private String payout = "";
    private String accountName = "";
    private String iban = "";
    private String bic = "";
    private String payoutOther = "";
    private long minimumMinor;
    private String taxNumber = "";
    private String taxNote = "";
    private boolean selfBilling;
    private BigDecimal taxPercent = BigDecimal.ZERO;
    private @Nullable String pageToken;
    private boolean pageValues;
    private boolean pageByCode;
    private @Nullable Instant pageOpenedAt;
    private Instant createdAt;
    private String createdBy;
    private @Nullable Instant endedAt;

    @SuppressWarnings("NullAway.Init")
    protected Partner() {}

    Partner(UUID source, String language, Instant now, String by) {
        super(source);
        this.language = language;
        this.createdAt = now;
        this.createdBy = by;
    }

    void meet(PartnerForm.Contact details) {
        this.contact = details.name();
        this.email = details.email();
        this.phone = details.phone();
        this.language = details.language();
        this.note = details.note();
    }

    PartnerForm.Contact contact() {
        return new PartnerForm.Contact(contact, email, phone, language, note);
    }

    void payBy(PayoutDetails details) {
        this.payout = details.way().key();
        this.accountName = details.accountName();
        this.iban = details.iban();
        this.bic = details.bic();
        this.payoutOther = details.other();
        this.minimumMinor = details.minimumMinor();
        this.taxNumber = details.tax().number();
        this.taxNote = details.tax().note();
        this.selfBilling = details.tax().selfBilling();
        this.taxPercent = details.tax().percent();
    }

    PayoutDetails payout() {
        return new PayoutDetails(
                PayoutDetails.Way.of(payout),
                accountName,
                iban,
                bic,
                payoutOther,
                minimumMinor,
                new PayoutDetails.Tax(taxNumber, taxNote, selfBilling, taxPercent));
    }

    /** @param token of the address of its page; none closes it */
    void open(@Nullable String token, PageLook look) {
        this.pageToken = token;
        this.pageValues = look.withValues();
        this.pageByCode = look.byCode();
    }

    PageLook look() {
        return new PageLook(pageValues, pageByCode);
    }

    Optional<String> pageToken() {
        return Optional.ofNullable(pageToken);
    }

    Optional<Instant> pageOpenedAt() {
        return Optional.ofNullable(pageOpenedAt);
    }

    void end(Instant now) {
        this.endedAt = now;
    }

    void resume() {
        this.endedAt = null;
    }

    boolean isEnded() {
        return endedAt != null;
    }
}
