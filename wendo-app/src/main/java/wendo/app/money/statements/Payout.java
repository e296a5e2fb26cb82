package wendo.app.money.statements;

import jakarta.persistence.Entity;
import java.time.Instant;
import java.time.LocalDate;
import java.util.UUID;
import wendo.app.platform.business.BusinessEntity;

/** An order to the bank to pay several partners at once. */
@Entity
@SuppressWarnings("UnusedVariable") // written for the database, not read in Java
class Payout extends BusinessEntity {
    private int number;
    private LocalDate payOn;
    private String state;
    private Instant madeAt;
    private String madeBy;

    @SuppressWarnings("NullAway.Init")
    protected Payout() {}

    Payout(int number, LocalDate payOn, Made made) {
        super(UUID.randomUUID());
        this.number = number;
        this.payOn = payOn;
        this.state = PartnerPayment.OPEN;
        this.madeAt = made.at();
        this.madeBy = made.by();
    }

    void become(String next) {
        this.state = next;
    }

    boolean isOpen() {
        return state.equals(PartnerPayment.OPEN);
    }

    int number() {
        return number;
    }

    LocalDate payOn() {
        return payOn;
    }

    Instant madeAt() {
        return madeAt;
    }
}
