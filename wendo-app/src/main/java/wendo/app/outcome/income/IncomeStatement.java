package wendo.app.outcome.income;

import jakarta.persistence.Entity;
import java.time.Instant;
import java.util.UUID;
import wendo.app.platform.business.BusinessEntity;

/** What arrived at the bank for one statement of a network. */
@Entity
@SuppressWarnings("UnusedVariable") // written for the database, not read in Java
class IncomeStatement extends BusinessEntity {
    private UUID networkId;
    private String statement;
    private long bankMinor;
    private Instant changedAt;
    private String changedBy;

    @SuppressWarnings("NullAway.Init")
    protected IncomeStatement() {}

    @SuppressWarnings("NullAway.Init")
    IncomeStatement(UUID network, String statement) {
        super(UUID.randomUUID());
        this.networkId = network;
        this.statement = statement;
    }

    void arrived(long minor, Instant now, String by) {
        this.bankMinor = minor;
        this.changedAt = now;
        this.changedBy = by;
    }
}
