package wendo.app.credit;

import java.util.List;
import org.springframework.context.event.EventListener;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import wendo.app.outcome.outcomes.OutcomeTakenBack;

/** Nothing is kept of the credit of an outcome that goes as if it had never been. */
@Component
class TakenBackListener {
    private final JdbcClient jdbc;

    TakenBackListener(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    @EventListener
    void on(OutcomeTakenBack event) {
        for (String table : List.of("credit_row", "trail", "outcome_clue")) {
            jdbc.sql("delete from " + table + " where outcome_id = ?")
                    .param(event.outcome())
                    .update();
        }
    }
}
