package wendo.app.money.statements;

import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import java.time.Instant;
import java.time.LocalDate;
import java.util.UUID;
import wendo.app.platform.business.BusinessLogRow;

/** A month of a partner as it went out. It never changes; what comes later is on the next one. */
@Entity
@Table(name = "partner_statement")
@SuppressWarnings("UnusedVariable") // written for the database, not read in Java
class Statement extends BusinessLogRow {
    private UUID partnerId;
    private LocalDate month;
    private int number;
    private long openingMinor;
    private long earnedMinor;
    private long adjustedMinor;
    private long paidMinor;
    private long closingMinor;
    private Instant madeAt;
    private String madeBy;

    @SuppressWarnings("NullAway.Init")
    protected Statement() {}

    Statement(Month of, int number, Sums sums, Made made) {
        super(UUID.randomUUID());
        this.partnerId = of.partner();
        this.month = of.first();
        this.number = number;
        this.openingMinor = sums.openingMinor();
        this.earnedMinor = sums.earnedMinor();
        this.adjustedMinor = sums.adjustedMinor();
        this.paidMinor = sums.paidMinor();
        this.closingMinor = sums.closingMinor();
        this.madeAt = made.at();
        this.madeBy = made.by();
    }

    /** A partner's month, by its first day. */
    record Month(UUID partner, LocalDate first) {}

    /** When it was made, and by whom. */
    record Made(Instant at, String by) {}

    /** What it adds up to, in minor units. */
    record Sums(long openingMinor, long earnedMinor, long adjustedMinor, long paidMinor) {
        long closingMinor() {
            return openingMinor + earnedMinor + adjustedMinor - paidMinor;
        }
    }
}
