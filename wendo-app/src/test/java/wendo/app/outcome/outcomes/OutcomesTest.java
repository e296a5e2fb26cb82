package wendo.app.outcome.outcomes;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.InputStream;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.util.List;
import java.util.Objects;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import wendo.app.Http;
import wendo.app.WendoTest;
import wendo.app.platform.accounts.ApiKeys;
import wendo.app.platform.accounts.KeyScope;

class OutcomesTest extends WendoTest {
    private static final String BOOKING =
            "{\"kind\": \"booking\", \"reference\": \"B-1\", \"value\": 95.5, \"currency\": \"GBP\", \"occurredAt\": \"2026-05-03T14:02:00+01:00\"}";

    @Autowired
    private ApiKeys keys;

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
                .header("Content-Type", "text/plain")
                .header("Origin", SITE)
                .POST(HttpRequest.BodyPublishers.ofString(body)));
    }

    @Test
    void reporting_an_outcome_twice_changes_nothing() {
        HttpResponse<String> first = report(BOOKING);
        HttpResponse<String> again = report(BOOKING);
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
    void later_news_changes_an_outcome_and_leaves_a_history() {
        report(BOOKING);
        assertThat(Http.json(report(BOOKING.replace("95.5", "80"))).get("value").decimalValue())
                .isEqualByComparingTo("80");
        HttpResponse<String> refunded =
                report("{\"kind\": \"booking\", \"reference\": \"B-1\", \"status\": \"refunded\", \"refunded\": 30}");
        assertThat(refunded.statusCode()).isEqualTo(200);
        assertThat(Http.json(refunded).get("refunded").decimalValue()).isEqualByComparingTo("30");
        assertThat(Http.json(refunded).get("occurredAt").asString())
                .as("what the news does not tell stays")
                .isEqualTo("2026-05-03T13:02:00Z");
        HttpResponse<String> tooMuch = report(
                "{\"kind\": \"booking\", \"reference\": \"B-1\", \"status\": \"refunded\", \"refunded\": 80.01}");
        assertThat(tooMuch.statusCode()).isEqualTo(422);
        assertThat(tooMuch.body()).contains("Must not be more than the value");
        Http person = http().signIn(tenant.email());
        assertThat(person.get("/outcomes?from=2026-05-03&to=2026-05-03").body()).contains("1 outcome, worth £50.00");
        String page = person.get("/outcomes/" + Http.json(refunded).get("id").asString())
                .body();
        assertThat(page).contains("£95.50", "£80.00", "leaving £50.00", "your server");
    }

    @Test
    void somebody_puts_an_outcome_right_and_is_named() {
        String id = Http.json(report(BOOKING)).get("id").asString();
        Http person = http().signIn(tenant.email());
        String page = "/outcomes/" + id;
        HttpResponse<String> wrong =
                person.form(page, page, "status", "refunded", "value", "£1,095.50", "refunded", "2,000");
        assertThat(wrong.statusCode()).isEqualTo(422);
        assertThat(wrong.body()).contains("Must not be more than the value", "value=\"2,000\"");
        assertThat(person.form(page, page, "status", "cancelled", "value", "£1,095.50")
                        .statusCode())
                .isEqualTo(302);
        assertThat(person.get(page).body()).contains("Ola Ness", "£1,095.50", "not counted");
        assertThat(person.get("/outcomes?from=2026-05-03&to=2026-05-03").body())
                .contains("0 outcomes, worth £0.00", "1 was cancelled or refunded");
        person.form(page, page, "status", "confirmed", "value", "1095.50");
        assertThat(person.get("/outcomes?from=2026-05-03&to=2026-05-03").body()).contains("1 outcome, worth £1,095.50");
        assertThat(person.get("/outcomes/" + java.util.UUID.randomUUID()).statusCode())
                .isEqualTo(404);
    }

    @Test
    void many_are_reported_at_once_and_each_is_told_what_became_of_it() {
        report(BOOKING);
        HttpResponse<String> answer = http().post(tenant.apiKey(), "/api/v1/outcomes/batch", """
                {"outcomes": [%s, %s, {"kind": "lead", "reference": "L-1"}, {"kind": "lead"}, null,
                    {"kind": "lead", "reference": "L-1"}]}
                """.formatted(
                        BOOKING, BOOKING.replace("95.5", "90")));
        assertThat(answer.statusCode()).isEqualTo(200);
        assertThat(Http.json(answer).get("results").findValuesAsString("result"))
                .containsExactly("known", "changed", "new", "refused", "refused", "known");
        assertThat(answer.body()).contains("\"field\":\"reference\"");
        assertThat(count(tenant, "select count(*) from outcome")).isEqualTo(2);
        assertThat(http().post(tenant.apiKey(), "/api/v1/outcomes/batch", "{\"outcomes\": []}")
                        .statusCode())
                .isEqualTo(422);
    }

    @Test
    void a_key_may_do_what_it_was_made_for_and_tells_when_it_was_used() {
        String reports = in(tenant, () -> keys.create("till", KeyScope.REPORT));
        String reads = in(tenant, () -> keys.create("board", KeyScope.READ));
        assertThat(http().post(reports, "/api/v1/outcomes", BOOKING).statusCode())
                .isEqualTo(201);
        HttpResponse<String> refused = http().api(reports, "/api/v1/outcomes");
        assertThat(refused.statusCode()).isEqualTo(403);
        assertThat(refused.body()).contains("This key may not do that");
        assertThat(http().api(reads, "/api/v1/outcomes").statusCode()).isEqualTo(200);
        assertThat(http().post(reads, "/api/v1/outcomes", BOOKING).statusCode()).isEqualTo(403);
        assertThat(http().post(reports, "/api/v1/links", "{}").statusCode()).isEqualTo(403);
        assertThat(count(tenant, "select count(*) from api_key where last_used_at is not null"))
                .isEqualTo(2);
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
        assertThat(tag(body.replace("L-1\"", "L-1\", \"value\": \"9\"")).statusCode())
                .isEqualTo(204);
        assertThat(count(tenant, "select sum(value_minor) from outcome"))
                .as("anybody could call")
                .isZero();
        assertThat(count(tenant, "select count(*) from outcome where reported_by = 'site-tag'"))
                .isOne();
    }

    /** As the browser of somebody on a page of the site loads it. */
    private HttpResponse<String> see(String image) {
        return http().send(http().request(image).header("Host", tenant.host()).header("Referer", SITE + "/thanks"));
    }

    @Test
    void a_plain_image_reports_once_and_programs_that_fetch_it_report_nothing() {
        String image = "/t/outcome.gif?site=%s&kind=booking&reference=B-9&value=95.00&currency=GBP"
                .formatted(tenant.siteKey());
        HttpResponse<String> answer = see(image);
        assertThat(answer.statusCode()).isEqualTo(200);
        assertThat(answer.headers().firstValue("Content-Type")).hasValue("image/gif");
        assertThat(answer.headers().firstValue("Cache-Control")).hasValue("no-store");
        see(image.replace("95.00", "5.00"));
        http().send(http().request(image.replace("B-9", "B-10"))
                .header("Host", tenant.host())
                .setHeader("User-Agent", "curl/8.5.0"));
        assertThat(count(tenant, "select sum(value_minor) from outcome where reported_by = 'image'"))
                .isEqualTo(9500);
        assertThat(http().visit(tenant.host(), "t/outcome.gif?site=nobody").statusCode())
                .isEqualTo(404);
        assertThat(http().visit(tenant.host(), "t/outcome.gif?kind=sale&site=" + tenant.siteKey())
                        .body())
                .contains("Must be lead, booking or purchase");
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
    void the_tag_itself_is_small_and_public() throws IOException {
        HttpResponse<String> tag = http().visit(tenant.host(), "t/wendo.js");
        assertThat(tag.statusCode()).isEqualTo(200);
        assertThat(tag.headers().firstValue("Cache-Control").orElseThrow()).contains("max-age=3600");
        assertThat(tag.body()).contains("outcomes", "landings", "arrivals", "outgoing");
        try (InputStream packed = Objects.requireNonNull(getClass().getResourceAsStream("/static/t/wendo.js.gz"))) {
            assertThat(packed.readAllBytes().length).as("bytes, packed").isLessThan(2048);
        }
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
