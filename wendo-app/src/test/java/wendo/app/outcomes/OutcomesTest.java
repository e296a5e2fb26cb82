package wendo.app.outcomes;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.util.List;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import wendo.app.Http;
import wendo.app.WendoTest;

class OutcomesTest extends WendoTest {
    private static final String BOOKING =
            "{\"kind\": \"booking\", \"reference\": \"B-1\", \"value\": 95.5, \"currency\": \"GBP\", \"occurredAt\": \"2026-05-03T14:02:00+01:00\"}";

    private Tenant tenant;

    @BeforeEach
    void open() {
        tenant = tenant("Egret Excursions");
    }

    private HttpResponse<String> report(String json, String... headers) {
        return http().post(tenant.apiKey(), "/api/v1/outcomes", json, headers);
    }

    private HttpResponse<String> tag(String body) {
        return http().send(http().request("/t/outcomes")
                .header("Host", tenant.host())
                .header("Origin", "https://egret.example")
                .header("Content-Type", "text/plain")
                .POST(HttpRequest.BodyPublishers.ofString(body)));
    }

    @Test
    void reporting_an_outcome_twice_changes_nothing() {
        HttpResponse<String> first = report(BOOKING);
        HttpResponse<String> again = report(BOOKING.replace("95.5", "1"));
        assertThat(first.statusCode()).isEqualTo(201);
        assertThat(again.statusCode()).isEqualTo(200);
        assertThat(Http.json(again)).isEqualTo(Http.json(first));
        assertThat(Http.json(first).get("value").decimalValue()).isEqualByComparingTo("95.50");
        assertThat(Http.json(first).get("occurredAt").asString()).isEqualTo("2026-05-03T13:02:00Z");
        assertThat(report(BOOKING.replace("booking", "purchase")).statusCode())
                .as("another kind is another outcome")
                .isEqualTo(201);
        assertThat(Http.json(http().api(tenant.apiKey(), "/api/v1/outcomes")).get("outcomes"))
                .hasSize(2);
    }

    @Test
    void of_many_reports_at_once_exactly_one_is_the_first() throws Exception {
        ExecutorService threads = Executors.newFixedThreadPool(16);
        try {
            List<Callable<Integer>> calls = java.util.Collections.nCopies(
                    32, () -> report(BOOKING, "Idempotency-Key", "same").statusCode());
            List<Integer> statuses = new java.util.ArrayList<>();
            for (Future<Integer> call : threads.invokeAll(calls)) {
                statuses.add(call.get());
            }
            assertThat(statuses).containsOnly(200, 201).containsOnlyOnce(201);
            assertThat(count(tenant, "select count(*) from outcome")).isOne();
        } finally {
            threads.shutdownNow();
        }
    }

    @Test
    void an_idempotency_key_belongs_to_one_report() {
        assertThat(report(BOOKING, "Idempotency-Key", "k-1").statusCode()).isEqualTo(201);
        assertThat(report(BOOKING, "Idempotency-Key", "k-1").statusCode()).isEqualTo(200);
        HttpResponse<String> other = report(BOOKING.replace("B-1", "B-2"), "Idempotency-Key", "k-1");
        assertThat(other.statusCode()).isEqualTo(422);
        assertThat(other.body()).contains("came before with another report");
        assertThat(report(BOOKING, "Idempotency-Key", "k".repeat(201)).statusCode())
                .isEqualTo(400);
        assertThat(count(tenant, "select count(*) from outcome")).isOne();
    }

    @Test
    void each_fault_of_a_report_is_named_with_its_field() {
        HttpResponse<String> answer = report("{\"kind\": \"sale\", \"value\": \"1e99999999\", \"currency\": \"EUR\"}");
        assertThat(answer.statusCode()).isEqualTo(422);
        assertThat(Http.json(answer).get("errors").findValuesAsString("field"))
                .containsExactly("kind", "reference", "currency", "value");
        assertThat(report("{\"kind\": \"lead\", \"reference\": \"L\", \"occurredAt\": \"yesterday\"}")
                        .body())
                .contains("2026-05-03T14:02:00Z");
        assertThat(report("[]").statusCode()).isEqualTo(400);
        assertThat(count(tenant, "select count(*) from outcome")).isZero();
    }

    @Test
    void the_site_tag_reports_from_any_page_and_only_adds() {
        String body = "{\"site\": \"%s\", \"kind\": \"lead\", \"reference\": \"L-1\"}".formatted(tenant.siteKey());
        HttpResponse<String> answer = tag(body);
        assertThat(answer.statusCode()).isEqualTo(204);
        assertThat(answer.headers().firstValue("Access-Control-Allow-Origin")).hasValue("*");
        assertThat(tag(body).statusCode()).isEqualTo(204);
        assertThat(count(tenant, "select count(*) from outcome where reported_by = 'site-tag'"))
                .isOne();
    }

    @Test
    void hostile_reports_of_the_site_tag_are_refused_clearly() {
        assertThat(tag("{\"site\": \"nobody\", \"kind\": \"lead\", \"reference\": \"L\"}")
                        .statusCode())
                .isEqualTo(404);
        assertThat(tag("not json").statusCode()).isEqualTo(400);
        assertThat(tag("{\"site\": \"" + "x".repeat(5000) + "\"}").statusCode()).isEqualTo(413);
        assertThat(tag("{\"site\": \"%s\", \"kind\": \"lead\", \"reference\": {\"a\": 1}, \"clickId\": \"';--\"}"
                                .formatted(tenant.siteKey()))
                        .statusCode())
                .isEqualTo(204);
        assertThat(count(tenant, "select count(*) from outcome where click_id is not null"))
                .isZero();
    }

    @Test
    void the_tag_itself_is_small_and_public() {
        HttpResponse<String> tag = http().visit(tenant.host(), "t/wendo.js");
        assertThat(tag.statusCode()).isEqualTo(200);
        assertThat(tag.headers().firstValue("Cache-Control").orElseThrow()).contains("max-age=3600");
        assertThat(tag.body()).contains("wendo_click", "outcomes", "landings");
    }

    @Test
    void the_ledger_says_what_is_missing_and_pages_by_kind() {
        report("{\"kind\": \"lead\", \"reference\": \"L-77\"}");
        report("{\"kind\": \"purchase\", \"reference\": \"P-78\", \"value\": \"1250\"}");
        Http person = http().signIn(tenant.email());
        assertThat(person.get("/outcomes").body())
                .contains(
                        "2 outcomes, worth £1,250.00",
                        "L-77",
                        "P-78",
                        "Nothing came back with the lead that tells where it came from.",
                        "Direct or unknown");
        assertThat(person.get("/outcomes?kind=lead").body()).contains("L-77").doesNotContain("P-78");
        assertThat(person.get("/outcomes?kind=nonsense&page=-4").body()).contains("2 outcomes");
        assertThat(person.get("/outcomes?from=2026-13-01&to=x").body()).contains("Two days are needed");
    }
}
