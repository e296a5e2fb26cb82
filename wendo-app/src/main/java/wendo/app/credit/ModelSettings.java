package wendo.app.credit;

import org.springframework.stereotype.Component;
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

    void change(ModelRules rules) {
        CreditRule rule = repository.findFirstBy().orElseGet(() -> new CreditRule(rules));
        rule.become(rules);
        repository.save(rule);
    }
}
