package wendo.app.desk.welcome;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;

/** What whoever claims the installation has said so far. There is one, until somebody has an account. */
@Entity
class InstallationClaim {
    static final int ONLY = 1;

    @Id
    private int id = ONLY;

    private String codeHash;
    private String business = "";
    private String currency = "";
    private String zone = "";
    private String locale = "";

    @SuppressWarnings("NullAway.Init")
    protected InstallationClaim() {}

    InstallationClaim(String codeHash) {
        this.codeHash = codeHash;
    }

    boolean isCode(String hash) {
        return codeHash.equals(hash);
    }

    void become(BusinessForm form) {
        this.business = form.name();
        this.currency = form.currency();
        this.zone = form.zone();
        this.locale = form.locale();
    }

    BusinessForm form() {
        return new BusinessForm(business, currency, zone, locale);
    }
}
