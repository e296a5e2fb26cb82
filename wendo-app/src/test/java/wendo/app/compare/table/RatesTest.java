package wendo.app.compare.table;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.http.HttpRequest;
import java.time.temporal.ChronoUnit;
import java.util.List;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import wendo.app.Http;
import wendo.app.WendoTest;
import wendo.core.visits.ClickId;

/** A rate is of those whose people are in its denominator, and of all of them. */
class RatesTest extends WendoTest {
    private Tenant tenant;
    private Http person;
    private String slug;

    @BeforeEach
    void open() {
        tenant = tenant("Sanderling Sails");
        person = http().signIn(tenant.email());
        slug = http().issue(tenant.apiKey(), "https://sanderling.example/", "Spring", "Reed Campsite")
                .get(0);
    }

    private void report(String reference, String more) {
        assertThat(http().post(
                                tenant.apiKey(),
                                "/api/v1/outcomes",
                                "{\"kind\": \"booking\", \"reference\": \"%s\", \"value\": 40%s}"
                                        .formatted(reference, more))
                        .statusCode())
                .isEqualTo(201);
    }

    private JsonNode comparison(String by) {
        return Http.json(http().api(tenant.apiKey(), "/api/v1/compare?period=7d&by=" + by));
    }

    /** Two people came by the link and one directly; one of the two booked, and two more booked with a code. */
    @Test
    void outcomes_without_a_visit_are_in_no_rate_and_who_came_directly_is_in_the_totals() {
        String source = in(
                tenant,
                () -> jdbc.sql("select id::text from source")
                        .query(String.class)
                        .single());
        person.form("/setup/codes", "/setup/codes", "kind", "code", "text", "REED10", "source", source);
        String click = Http.click(http().visit(tenant.host(), slug));
        http().visit(tenant.host(), slug);
        http().send(http().request("/t/arrivals")
                .header("Host", tenant.host())
                .header("Content-Type", "text/plain")
                .POST(HttpRequest.BodyPublishers.ofString(
                        "{\"site\": \"%s\", \"visitor\": \"%s\", \"address\": \"https://sanderling.example/\", \"referrer\": \"\"}"
                                .formatted(tenant.siteKey(), "0190a000-0000-7000-8000-000000000001"))));
        report("B-1", ", \"clickId\": \"%s\"".formatted(click));
        report("B-2", ", \"code\": \"reed10\"");
        report("B-3", ", \"code\": \"Reed 10\"");
        await("all are credited", () -> count(tenant, "select count(*) from credit where source_id is not null") == 3);
        await(
                "the direct one is summed",
                () -> comparison("source").get("total").get("people").asInt() == 3);
        for (String by : List.of("source", "campaign", "link", "destination", "owner", "channel")) {
            JsonNode all = comparison(by).get("total");
            assertThat(all.get("bookings").asDouble()).as(by).isEqualTo(3);
            assertThat(all.get("people").asInt()).as(by).isEqualTo(3);
            assertThat(all.get("bookingRate").get("value").asDouble()).as(by).isBetween(0.3333, 0.3334);
        }
        comparison("campaign").get("rows").forEach(row -> {
            if (row.get("key").asString().equals("none")) {
                assertThat(row.get("bookings").asDouble()).isEqualTo(2);
                assertThat(row.get("bookingRate").isNull()
                                || row.get("bookingRate").get("value").isNull())
                        .isTrue();
            }
        });
        assertThat(person.get("/compare/one?period=7d&kind=booking&key=" + source)
                        .body())
                .contains(
                        "How each figure is made up",
                        "1 booking<",
                        "2 people<",
                        "2 more came by a code, a report or somebody’s word, without a visit");
        assertThat(person.get("/compare/behind/people?period=7d&key=unknown").body())
                .contains("Direct");
        assertThat(person.get("/compare/behind/people?period=7d&key=all").body())
                .contains("3 people");
    }

    /** The clock of the site that reports is ahead of ours, or behind it. */
    @Test
    void a_click_whose_own_identifier_came_back_may_be_five_minutes_later_than_its_outcome() {
        for (int minutes : new int[] {4, 6}) {
            String click = Http.click(http().visit(tenant.host(), slug));
            report(
                    "late " + minutes,
                    ", \"clickId\": \"%s\", \"occurredAt\": \"%s\""
                            .formatted(
                                    click,
                                    ClickId.find(click)
                                            .orElseThrow()
                                            .arrivedAt()
                                            .minus(minutes, ChronoUnit.MINUTES)));
        }
        await("the visits are stored", () -> count(tenant, "select count(*) from visit") == 2);
        await(
                "the nearer one counts",
                () -> in(tenant, () -> jdbc.sql("""
                                select o.reference from outcome_source s join outcome o on o.id = s.outcome_id
                                """).query(String.class).list()).equals(List.of("late 4")));
    }
}
