package wendo.app.credit;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.http.HttpResponse;
import java.util.Collections;
import java.util.List;
import java.util.SplittableRandom;
import java.util.UUID;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.util.AopTestUtils;
import wendo.app.Http;
import wendo.app.WendoTest;
import wendo.app.outcome.outcomes.OutcomesRecorded;
import wendo.app.visit.visits.LoggedVisit;
import wendo.app.visit.visits.VisitStore;
import wendo.core.visits.ClickId;

class CreditingTest extends WendoTest {
    @Autowired
    private Crediting crediting;

    @Autowired
    private VisitStore store;

    private Tenant tenant;
    private List<String> slugs;

    @BeforeEach
    void issue() {
        tenant = tenant("Fulmar Fishing");
        slugs = http().issue(tenant.apiKey(), "https://fulmar.example/", "Spring", "Postcards", "Campsite");
        await(
                "the links are known",
                () -> http().visit(tenant.host(), slugs.get(1)).statusCode() == 302);
    }

    private void report(String reference, String click) {
        http().post(
                        tenant.apiKey(),
                        "/api/v1/outcomes",
                        "{\"kind\": \"purchase\", \"reference\": \"%s\", \"value\": \"19.99\", \"clickId\": \"%s\"}"
                                .formatted(reference, click));
    }

    private String creditOf(String reference) {
        return in(
                tenant,
                () -> jdbc.sql("""
                        select s.name || ' ' || c.last_touch_share || ' ' || c.last_touch_minor from credit c
                        join outcome o on o.id = c.outcome_id join source s on s.id = c.source_id
                        where o.reference = ? and c.last_touch_share > 0
                        """)
                        .param(reference)
                        .query(String.class)
                        .optional()
                        .orElse("none"));
    }

    /** As when another process stores its visits later: the touch lies before the outcome and was not known yet. */
    @Test
    void a_touch_that_is_stored_after_the_outcome_was_credited_earns_what_it_is_due() {
        String first = Http.click(http().visit(tenant.host(), slugs.get(0)));
        report("P-2", first);
        await("it is credited", () -> creditOf("P-2").equals("Postcards 1000000 1999"));
        store.store(in(
                tenant,
                () -> jdbc.sql("""
                        select l.id, l.source_id, l.destination_id, v.visitor, v.arrived_at from link l, visit v
                        where l.slug = ? and v.click_id = ?
                        """)
                        .params(slugs.get(1), ClickId.find(first).orElseThrow().uuid())
                        .query((row, number) -> new LoggedVisit(
                                ClickId.of(row.getTimestamp(5).toInstant().plusMillis(1), new SplittableRandom()),
                                tenant.id(),
                                row.getObject(1, UUID.class),
                                row.getObject(2, UUID.class),
                                row.getObject(3, UUID.class),
                                row.getObject(4, UUID.class),
                                "",
                                "",
                                "phone",
                                "",
                                Http.BROWSER,
                                "",
                                "",
                                "en",
                                ""))
                        .list()));
        await("the later touch has it", () -> creditOf("P-2").equals("Campsite 1000000 1999"));
    }

    @Test
    void the_last_touch_of_the_person_takes_the_credit_and_the_evidence_says_so() {
        Http visitor = http();
        String first = Http.click(visitor.visit(tenant.host(), slugs.get(0)));
        visitor.visit(tenant.host(), slugs.get(1));
        report("P-1", first);
        await("it is credited", () -> creditOf("P-1").equals("Campsite 1000000 1999"));
        assertThat(http().signIn(tenant.email()).get("/outcomes").body())
                .contains(
                        "The click identifier of a visit on",
                        "That visit came by Postcards; a later touch took the credit.");
        assertThat(Http.json(http().api(tenant.apiKey(), "/api/v1/outcomes"))
                        .at("/outcomes/0/source")
                        .asString())
                .isEqualTo("Campsite");
    }

    @Test
    void an_outcome_that_is_faster_than_its_visit_is_credited_when_the_visit_arrives() {
        HttpResponse<String> visit = http().visit(tenant.host(), slugs.get(0));
        report("P-2", Http.click(visit));
        await("it is credited", () -> creditOf("P-2").startsWith("Postcards"));
    }

    @Test
    void previews_earn_nothing_and_a_buyer_who_looked_automatic_does() {
        HttpResponse<String> preview = http().send(http().request("/" + slugs.get(0))
                .header("Host", tenant.host())
                .header("Sec-Purpose", "prefetch"));
        HttpResponse<String> robot = http().send(http().request("/" + slugs.get(0))
                .header("Host", tenant.host())
                .setHeader("User-Agent", "curl/8"));
        report("P-3", Http.click(preview));
        report("P-4", Http.click(robot));
        await("the buyer is credited", () -> creditOf("P-4").startsWith("Postcards"));
        await("both are stored", () -> count(tenant, "select count(*) from visit where kind <> 'person'") == 2);
        assertThat(creditOf("P-3")).isEqualTo("none");
        assertThat(http().signIn(tenant.email()).get("/outcomes").body())
                .contains("The visit earns no credit: it was a preview.", "The visit looked automatic.");
    }

    @Test
    void two_that_credit_the_same_outcomes_at_once_do_not_fail_each_other() throws Exception {
        String click = Http.click(http().visit(tenant.host(), slugs.get(0)));
        for (int i = 0; i < 12; i++) {
            report("R-" + i, click);
        }
        await("all are credited", () -> count(tenant, "select count(*) from credit") == 12);
        Crediting direct = AopTestUtils.getUltimateTargetObject(crediting);
        List<UUID> outcomes = in(
                tenant,
                () -> jdbc.sql("select id from outcome").query(UUID.class).list());
        ExecutorService threads = Executors.newFixedThreadPool(4);
        try {
            Callable<Boolean> work = () -> {
                direct.on(new OutcomesRecorded(tenant.id(), outcomes));
                return true;
            };
            for (int round = 0; round < 10; round++) {
                for (Future<Boolean> done : threads.invokeAll(Collections.nCopies(4, work))) {
                    assertThat(done.get()).isTrue();
                }
            }
        } finally {
            threads.shutdownNow();
        }
        assertThat(count(tenant, "select sum(last_touch_share) from credit")).isEqualTo(12_000_000);
    }
}
