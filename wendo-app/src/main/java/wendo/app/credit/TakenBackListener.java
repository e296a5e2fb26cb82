package wendo.app.credit;

import java.util.List;
import org.springframework.context.event.EventListener;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import wendo.app.outcome.outcomes.OutcomeTakenBack;

/** Deletes the credit of an outcome that is deleted. */
@Component
class TakenBackListener {
    private final CreditEditions editions;
    private final JdbcClient jdbc;

    TakenBackListener(CreditEditions editions, JdbcClient jdbc) {
        this.editions = editions;
        this.jdbc = jdbc;
    }

    /** Locked first: crediting writes the same rows in another order, and the two would deadlock. */
    @EventListener
    @Order(Ordered.HIGHEST_PRECEDENCE)
    void on(OutcomeTakenBack event) {
        editions.lock();
        for (String table : List.of("credit_row", "trail", "outcome_clue")) {
            jdbc.sql("delete from " + table + " where outcome_id = ?")
                    .param(event.outcome())
                    .update();
        }
    }
}
