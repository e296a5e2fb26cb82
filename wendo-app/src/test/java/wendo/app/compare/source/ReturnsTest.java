package wendo.app.compare.source;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import wendo.app.compare.table.SmallSeason;
import wendo.app.money.targets.Target;
import wendo.app.money.targets.Targets;

/** What came back to a source: the postcards cost £50.01 on three days and brought one booking of £95.10 on the last. */
class ReturnsTest extends SmallSeason {
    @Autowired
    private Targets targets;

    private String page(String tag) {
        return http().signIn(tenant.email())
                .get("/compare/one?period=7d&key=" + source(tag))
                .body()
                .replaceAll("<[^>]*>", " ")
                .replaceAll("\\s+", " ");
    }

    private void margin(int percent) {
        in(tenant, () -> {
            targets.set(Optional.empty(), new Target(Map.of(), OptionalInt.of(percent)));
            return true;
        });
    }

    @Test
    void only_the_first_order_of_a_person_makes_a_customer() {
        assertThat(page("postcards"))
                .contains(
                        "Average order value revenue ÷ 1 bookings and purchases £95.10 fewer than five people paid",
                        "CAC spend ÷ 1 first-time customers £50.01 £8.98 to £1,975.29",
                        "ROAS revenue ÷ spend 1.9");
        report("purchase", "P-2", "20.00", clicks.get(2));
        await("it is credited", () -> count(tenant, "select count(*) from credit") == 4);
        assertThat(page("postcards"))
                .contains(
                        "Average order value revenue ÷ 2 bookings and purchases £57.55",
                        "CAC spend ÷ 1 first-time customers £50.01");
    }

    @Test
    void without_spend_a_customer_has_no_cost() {
        assertThat(page("campsite")).contains("Average order value").doesNotContain("CAC spend", "ROAS", "Payback");
    }

    /** 60 % of £95.10 are £57.06, 50 % are £47.55. */
    @Test
    void it_has_paid_for_itself_when_the_margin_covers_the_spend() {
        assertThat(page("postcards")).as("no margin is set").doesNotContain("Payback");
        margin(60);
        assertThat(page("postcards"))
                .contains(
                        "Payback: after 3 days, by ", "the first day of its spend in this period, at a margin of 60%.");
        margin(50);
        assertThat(page("postcards")).contains("Payback: the margin has not covered the spend of £50.01 yet.");
    }

    @Test
    void the_data_driven_models_say_what_they_rest_on() {
        assertThat(page("postcards")).contains("Markov and Shapley have learned from no journeys yet");
    }
}
