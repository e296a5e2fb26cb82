package wendo.app.outcome.income;

import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import java.time.Instant;
import java.time.LocalDate;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import wendo.app.platform.business.BusinessEntity;
import wendo.core.income.Income;
import wendo.core.income.IncomeState;

/** What a network pays for an outcome. It has the identifier of its outcome. */
@Entity
@Table(name = "income")
@SuppressWarnings("UnusedVariable") // written for the database, not read in Java
class StoredIncome extends BusinessEntity {
    private UUID networkId;
    private String state;
    private long commissionMinor;
    private long saleMinor;
    private String product = "";
    private Instant reportedAt;
    private LocalDate expectedOn;
    private @Nullable Instant paidAt;
    private String statement = "";

    @SuppressWarnings("NullAway.Init")
    protected StoredIncome() {}

    StoredIncome(UUID outcome, UUID network, First first, Instant now) {
        super(outcome);
        this.networkId = network;
        this.reportedAt = now;
        this.expectedOn = first.expectedOn();
        this.state = first.income().state().key();
        this.commissionMinor = first.income().commissionMinor();
        this.paidAt = first.income().state() == IncomeState.PAID ? now : null;
    }

    /** The first news of it, and the day by which it should be paid. */
    record First(Income income, LocalDate expectedOn) {}

    Income income() {
        return new Income(IncomeState.of(state), commissionMinor);
    }

    void become(Income next, Instant now) {
        boolean isPaidNow =
                next.state() == IncomeState.PAID && !IncomeState.PAID.key().equals(state);
        this.state = next.state().key();
        this.commissionMinor = next.commissionMinor();
        if (isPaidNow) {
            this.paidAt = now;
        } else if (next.state() != IncomeState.PAID) {
            this.paidAt = null;
            this.statement = "";
        }
    }

    void soldFor(long minor) {
        this.saleMinor = minor;
    }

    void is(String product) {
        this.product = product;
    }

    /** What the network, or its file, calls the statement that it was paid with. */
    void standsOn(String statement) {
        this.statement = statement;
    }

    boolean standsOnOne() {
        return !statement.isEmpty();
    }
}
