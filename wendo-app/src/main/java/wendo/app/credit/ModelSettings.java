package wendo.app.credit;

import org.springframework.stereotype.Component;
import wendo.app.platform.business.EditedVersion;
import wendo.core.credit.ModelRules;

/** How the current business wants the models to share. Runs in the transaction of its caller. */
@Component
class ModelSettings {
    private final CreditRuleRepository repository;

    ModelSettings(CreditRuleRepository repository) {
        this.repository = repository;
    }

    ModelRules current() {
        return repository.findFirstBy().map(CreditRule::rules).orElseGet(ModelRules::usual);
    }

    /** 0 until they were changed once. */
    int version() {
        return repository.findFirstBy().map(CreditRule::version).orElse(0);
    }

    void change(EditedVersion edited, ModelRules rules) {
        CreditRule rule = repository.findFirstBy().orElseGet(() -> new CreditRule(rules));
        rule.mustStillBe(edited);
        rule.become(rules);
        repository.save(rule);
    }
}
