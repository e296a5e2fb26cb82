package wendo.app.credit;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.UUID;
import java.util.concurrent.CompletableFuture;
import java.util.function.Supplier;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import wendo.app.Http;
import wendo.app.WendoTest;
import wendo.app.outcome.outcomes.Outcomes;

/** Who changes a business's credit while it is being made waits for it, instead of both waiting for each other. */
class CreditLockTest extends WendoTest {
    @Autowired
    private Crediting crediting;

    @Autowired
    private CreditEditions editions;

    @Autowired
    private Outcomes outcomes;

    private Tenant tenant;
    private List<UUID> leads;

    @BeforeEach
    void credit() {
        tenant = tenant("Dunlin Dinghies");
        String slug = http().issue(tenant.apiKey(), "https://dunlin.example/", "Spring", "Postcards", "Radio")
                .get(0);
        await("the link is known", () -> http().visit(tenant.host(), slug).statusCode() == 302);
        leads = List.of(lead("E-1", slug), lead("E-2", slug));
        await("both are credited", () -> count(tenant, "select count(distinct outcome_id) from credit_row") == 2);
        await(
                "all that was told is done",
                () -> jdbc.sql("select count(*) from event_publication where completion_date is null")
                                .query(Long.class)
                                .single()
                        == 0);
    }

    private UUID lead(String reference, String slug) {
        String lead = "{\"kind\": \"lead\", \"reference\": \"%s\", \"clickId\": \"%s\"}"
                .formatted(reference, Http.click(http().visit(tenant.host(), slug)));
        return UUID.fromString(Http.json(http().post(tenant.apiKey(), "/api/v1/outcomes", lead))
                .get("id")
                .asString());
    }

    @Test
    void two_outcomes_are_taken_back_while_they_are_credited() {
        assertThat(whileCredited(() ->
                        in(tenant, () -> leads.stream().map(outcomes::takeBack).toList())))
                .containsExactly(true, true);
        assertThat(count(tenant, "select count(*) from credit_row")).isZero();
    }

    @Test
    void a_source_is_merged_while_its_outcomes_are_credited() {
        String kept = source("Radio");
        String merged = "/setup/sources/" + source("Postcards") + "/merge";
        Http person = http().signIn(tenant.email());
        assertThat(whileCredited(() -> person.form("/setup/sources", merged, "into", kept, "confirmed", "true")
                        .statusCode()))
                .isEqualTo(302);
        assertThat(count(tenant, "select count(*) from credit_row where source_id = '" + kept + "'"))
                .isPositive();
        assertThat(count(tenant, "select count(*) from credit_row where source_id <> '" + kept + "'"))
                .isZero();
    }

    private String source(String name) {
        return in(
                tenant,
                () -> jdbc.sql("select id from source where name = ?")
                        .param(name)
                        .query(String.class)
                        .single());
    }

    /** The second lead is credited, the other work begins and has to wait, and the first lead is credited. */
    private <T> T whileCredited(Supplier<T> other) {
        return in(tenant, () -> {
                    editions.lock();
                    crediting.creditAgain(List.of(leads.get(1)));
                    CompletableFuture<T> started = CompletableFuture.supplyAsync(other);
                    await("the other waits, or is done", () -> started.isDone() || isWaitedFor());
                    crediting.creditAgain(List.of(leads.get(0)));
                    return started;
                })
                .join();
    }
}
