package wendo.app.money.statements;

import jakarta.persistence.Entity;
import java.time.Instant;
import java.time.LocalDate;
import java.util.Optional;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import wendo.app.platform.business.BusinessEntity;

/** Money that went to a partner, or is about to with an order to the bank. */
@Entity
@SuppressWarnings("UnusedVariable") // written for the database, not read in Java
class PartnerPayment extends BusinessEntity {
    static final String OPEN = "open";
    static final String PAID = "paid";
    static final String CANCELLED = "cancelled";

    private UUID partnerId;
    private @Nullable UUID payoutId;
    private @Nullable UUID statementId;
    private String state;
    private LocalDate paidOn;
    private long amountMinor;
    private String note;
    private Instant madeAt;
    private String madeBy;

    @SuppressWarnings("NullAway.Init")
    protected PartnerPayment() {}

    private PartnerPayment(UUID partner, String state, Sent sent, Made made) {
        super(UUID.randomUUID());
        this.partnerId = partner;
        this.state = state;
        this.paidOn = sent.on();
        this.amountMinor = sent.minor();
        this.note = sent.note();
        this.madeAt = made.at();
        this.madeBy = made.by();
    }

    /** What was sent, on which day, in minor units. */
    record Sent(LocalDate on, long minor, String note) {}

    static PartnerPayment paid(UUID partner, Sent sent, Made made) {
        return new PartnerPayment(partner, PAID, sent, made);
    }

    static PartnerPayment ordered(UUID partner, UUID payout, Sent sent, Made made) {
        PartnerPayment payment = new PartnerPayment(partner, OPEN, sent, made);
        payment.payoutId = payout;
        return payment;
    }

    void become(String next, LocalDate on) {
        this.state = next;
        this.paidOn = on;
    }

    /** Those on a statement stay. */
    boolean cancel() {
        boolean isFree = statementId == null && !state.equals(CANCELLED);
        if (isFree) {
            state = CANCELLED;
        }
        return isFree;
    }

    UUID partner() {
        return partnerId;
    }

    Optional<UUID> payout() {
        return Optional.ofNullable(payoutId);
    }

    long minor() {
        return amountMinor;
    }
}
