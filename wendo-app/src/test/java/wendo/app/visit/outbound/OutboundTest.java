package wendo.app.visit.outbound;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import wendo.app.Http;
import wendo.app.WendoTest;

class OutboundTest extends WendoTest {
    private static final String PAGE = "https://www.teal.example/tours?from=mail";

    private Tenant tenant;
    private Http person;

    @BeforeEach
    void open() {
        tenant = tenant("Teal Tours");
        person = http().signIn(tenant.email());
    }

    private int tell(String what, String fields) {
        return http().send(http().request("/t/" + what)
                        .header("Host", tenant.host())
                        .header("Content-Type", "text/plain")
                        .header("Origin", SITE)
                        .POST(HttpRequest.BodyPublishers.ofString(
                                "{\"site\": \"%s\", %s}".formatted(tenant.siteKey(), fields))))
                .statusCode();
    }

    private int follow(int visitor, String page, String address) {
        return tell(
                "outgoing",
                "\"visitor\": \"%032d\", \"page\": \"%s\", \"address\": \"%s\"".formatted(visitor, page, address));
    }

    private HttpResponse<String> add(String name, String pattern, String worth) {
        return person.form("/setup/outgoing", "/setup/outgoing", "name", name, "pattern", pattern, "worth", worth);
    }

    @Test
    void a_page_is_worth_what_its_links_are_by_set_amounts_and_measured_ones() {
        follow(1, PAGE, "https://booking.example/tours/1");
        follow(1, PAGE, "https://booking.example/tours/1#again");
        follow(2, PAGE, "https://booking.example/tours/2");
        follow(3, PAGE, "https://booking.example/other");
        follow(1, "https://teal.example/", "https://maps.example/pier");
        tell(
                "outcomes",
                "\"kind\": \"booking\", \"reference\": \"B-1\", \"value\": 50, \"visitor\": \"%032d\"".formatted(1));
        tell(
                "outcomes",
                "\"kind\": \"booking\", \"reference\": \"B-2\", \"value\": 20.01, \"visitor\": \"%032d\"".formatted(9));
        assertThat(add("Booking site", "https://www.booking.example", "").statusCode())
                .isEqualTo(302);
        assertThat(add("Tours", "booking.example/tours", "").statusCode()).isEqualTo(302);
        assertThat(add("Map", "maps.example", "0.25").statusCode()).isEqualTo(302);
        assertThat(person.get("/setup/outgoing").body())
                .contains("measured: £50.00 from 2", "£25.00", "measured: £0.00 from 1", "£0.25");
        assertThat(person.get("/links/outgoing").body())
                .contains("4 outgoing links were followed, worth £50.25")
                .containsSubsequence("teal.example/tours", "Tours", "£50.00", "Whole page", "£50.00")
                .containsSubsequence("teal.example<", "Map", "£0.25");
    }

    @Test
    void a_pattern_is_tried_on_what_was_followed_and_nothing_is_kept() {
        follow(1, PAGE, "https://booking.example/a");
        follow(2, PAGE, "https://booking.example/a");
        follow(3, PAGE, "https://elsewhere.example/");
        in(tenant, () -> jdbc.sql("""
                        insert into outbound_click
                        select business_id, gen_random_uuid(), now() - interval '31 days', visitor, kind, page, address, target
                        from outbound_click
                        """).update());
        String tried = person.get("/setup/outgoing/check?name=x&pattern=*.example%2Fa&worth=")
                .body();
        assertThat(tried)
                .contains("“*.example/a” would have matched 2 of 3", "2 ×", "booking.example/a", "value=\"x\"");
        assertThat(count(tenant, "select count(*) from outbound_pattern")).isZero();
        assertThat(person.get("/links/outgoing?period=7d").body())
                .contains("but not counted", "elsewhere.example", "pattern=booking.example/a");
        add("All", "*.example", "");
        assertThat(person.get("/setup/outgoing/check?pattern=booking.example").body())
                .contains("2 of them are already counted by a pattern");
        assertThat(person.get("/setup/outgoing/check?pattern=%2F").statusCode()).isEqualTo(422);
    }

    @Test
    void what_cannot_be_is_refused_and_what_was_typed_stays() {
        assertThat(follow(1, PAGE, "https://teal.example/other"))
                .as("the same site")
                .isEqualTo(422);
        assertThat(follow(1, "x", "https://booking.example")).isEqualTo(422);
        assertThat(follow(1, PAGE, "mailto:ines@marsh.example")).isEqualTo(422);
        HttpResponse<String> refused = add(" ", "no host at all", "-3");
        assertThat(refused.statusCode()).isEqualTo(422);
        assertThat(refused.body())
                .contains(
                        "Name what these links lead to", "Enter a host", "Enter an amount", "value=\"no host at all\"");
        assertThat(person.form(
                                "/setup/outgoing",
                                "/setup/outgoing",
                                "name",
                                "x",
                                "pattern",
                                "y.example",
                                "network",
                                "z")
                        .body())
                .contains("Choose a network that pays you.");
        add("Map", "maps.example", "");
        assertThat(add("Map again", "http://MAPS.example/", "").body()).contains("This pattern is there already.");
        String id = in(
                tenant,
                () -> jdbc.sql("select id::text from outbound_pattern")
                        .query(String.class)
                        .single());
        Http other = http().signIn(tenant("Osprey Outings").email());
        other.form("/setup/outgoing", "/setup/outgoing/" + id + "/remove");
        assertThat(count(tenant, "select count(*) from outbound_pattern")).isOne();
        person.form("/setup/outgoing", "/setup/outgoing/" + id + "/remove");
        assertThat(count(tenant, "select count(*) from outbound_pattern")).isZero();
    }
}
