package wendo.app.credit;

import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import wendo.app.business.BusinessScope;
import wendo.core.credit.ModelRules;

/** How the current business wants the models to share. Runs in the transaction of its caller. */
@Component
class ModelSettings {
    private final JdbcClient jdbc;

    ModelSettings(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    ModelRules current() {
        return jdbc.sql("select first_percent, last_percent, half_life_days, credits_again from credit_rule")
                .query((row, number) -> new ModelRules(row.getInt(1), row.getInt(2), row.getInt(3), row.getBoolean(4)))
                .optional()
                .orElseGet(ModelRules::usual);
    }

    void change(ModelRules rules) {
        jdbc.sql("""
                        insert into credit_rule values (?, ?, ?, ?, ?)
                        on conflict (business_id) do update set first_percent = excluded.first_percent,
                            last_percent = excluded.last_percent, half_life_days = excluded.half_life_days,
                            credits_again = excluded.credits_again
                        """)
                .params(BusinessScope.current().value(), rules.firstPercent(), rules.lastPercent())
                .params(rules.halfLifeDays(), rules.creditsAgain())
                .update();
    }
}
