package wendo.app.money.statements;

import jakarta.persistence.Entity;
import java.util.UUID;
import wendo.app.platform.business.BusinessEntity;

/** Where partners are paid from. A business has one at most. */
@Entity
class PayoutAccount extends BusinessEntity {
    private String name = "";
    private String iban = "";
    private String bic = "";
    private String taxNumber = "";

    /** For Hibernate. */
    protected PayoutAccount() {}

    PayoutAccount(UUID id) {
        super(id);
    }

    void become(Details details) {
        this.name = details.name();
        this.iban = details.iban();
        this.bic = details.bic();
        this.taxNumber = details.taxNumber();
    }

    Details details() {
        return new Details(name, iban, bic, taxNumber);
    }

    /** The account as it is edited. */
    record Details(String name, String iban, String bic, String taxNumber) {
        static final Details NONE = new Details("", "", "", "");
    }
}
