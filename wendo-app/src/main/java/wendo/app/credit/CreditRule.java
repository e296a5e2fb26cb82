package wendo.app.credit;

import jakarta.persistence.Entity;
import java.util.UUID;
import wendo.app.platform.business.BusinessEntity;
import wendo.core.credit.ModelRules;

/** How a business wants the models to share; each has one at most. */
@Entity
class CreditRule extends BusinessEntity {
    private int firstPercent;
    private int lastPercent;
    private int halfLifeDays;
    private boolean creditsAgain;

    protected CreditRule() {}

    CreditRule(ModelRules rules) {
        super(UUID.randomUUID());
        become(rules);
    }

    final void become(ModelRules rules) {
        this.firstPercent = rules.firstPercent();
        this.lastPercent = rules.lastPercent();
        this.halfLifeDays = rules.halfLifeDays();
        this.creditsAgain = rules.creditsAgain();
    }

    ModelRules rules() {
        return new ModelRules(firstPercent, lastPercent, halfLifeDays, creditsAgain);
    }
}
