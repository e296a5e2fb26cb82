package wendo.app.place.placements;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.http.HttpResponse;
import java.util.UUID;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import wendo.app.Http;
import wendo.app.WendoTest;

class PlacementTest extends WendoTest {
    private Tenant tenant;
    private Http person;
    private String slug;
    private String page;

    @BeforeEach
    void open() {
        tenant = tenant("Whimbrel Walks");
        person = http().signIn(tenant.email());
        slug = http().issue(tenant.apiKey(), "https://walks.example/offer?a=1#book", "Spring", "Cards")
                .get(0);
        page = "/links/"
                + in(
                        tenant,
                        () -> jdbc.sql("select id from link").query(UUID.class).single()) + "/place";
    }

    private HttpResponse<String> place(String... fields) {
        return person.form(page, page, fields);
    }

    @Test
    void a_placement_gives_the_response_rate_with_its_interval_and_the_spend() {
        place(
                "place",
                "Letterboxes in Rill",
                "placedOn",
                "2026-01-05",
                "endsOn",
                "2026-01-09",
                "copies",
                "1,000",
                "unitPrice",
                "0.0855",
                "note",
                "After the market");
        place("place", "Counter of the inn", "placedOn", "2026-02-01", "copies", "50");
        for (int i = 0; i < 15; i++) {
            http().visit(tenant.host(), slug);
        }
        await("visits are stored", () -> count(tenant, "select count(*) from visit") == 15);
        // 15 of 1,050: Wilson's interval computed apart, (p + z²/2n ± z·sqrt(p(1−p)/n + z²/4n²)) / (1 + z²/n).
        assertThat(person.get(page).body())
                .contains("Letterboxes in Rill", "After the market", "1,000", "£85.50", "5 Jan 2026 – 9 Jan 2026")
                .containsSubsequence("15 people from 1,050 copies", "1.4%", "0.9% to 2.3%");
        assertThat(count(tenant, "select amount_minor from spend")).isEqualTo(8550);
        assertThat(person.get("/spend?from=2026-01-01&to=2026-01-31").body())
                .contains("£85.50", "Cards · Spring: Letterboxes in Rill");

        UUID first = in(
                tenant,
                () -> jdbc.sql("select id from placement where copies = 1000")
                        .query(UUID.class)
                        .single());
        person.form(page, page + "/" + first + "/remove");
        assertThat(count(tenant, "select count(*) from spend where removed_at is null"))
                .isZero();
        assertThat(person.get(page).body()).doesNotContain("Letterboxes in Rill", "After the market");
        assertThat(person.form(page, page + "/" + first + "/remove").statusCode())
                .isEqualTo(404);
    }

    @Test
    void each_way_to_place_a_link_shows_where_it_will_be_seen_with_its_own_address() {
        String shown = person.get(page).body();
        assertThat(shown.split("class=\"outline outline-", -1)).hasSize(8);
        String address = in(
                tenant,
                () -> jdbc.sql(
                                "select h.origin || '/' || l.slug from link l join link_host h on h.id = l.host_id limit 1")
                        .query(String.class)
                        .single());
        assertThat(shown).contains("<code>" + address + "</code>", "<code>" + address.substring(7) + "</code>");
    }

    @Test
    void spend_that_was_taken_out_leaves_the_placement() {
        place("place", "Inn", "placedOn", "2026-02-01", "copies", "100", "unitPrice", "0.10");
        UUID spend = in(
                tenant, () -> jdbc.sql("select id from spend").query(UUID.class).single());
        person.form("/spend", "/spend/remove", "spend", spend.toString());
        assertThat(person.get(page).body()).contains("Inn").doesNotContain("£10.00");
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "place | ' ' | Say where it was placed",
                "placedOn | soon | Enter a day",
                "placedOn | 1066-10-14 | Enter a day",
                "endsOn | 2026-01-31 | The last day is before the first.",
                "copies | many | Enter a whole number",
                "copies | 0 | Enter a whole number",
                "unitPrice | cheap | Enter an amount in GBP",
                "note | LONG | this has 1,001",
            })
    void what_cannot_be_is_refused_beside_its_field_and_kept(String field, String value, String expected) {
        String typed = value.equals("LONG") ? "n".repeat(1001) : value;
        java.util.Map<String, String> fields = new java.util.LinkedHashMap<>(
                java.util.Map.of("place", "Inn", "placedOn", "2026-02-01", "copies", "5", "unitPrice", "1"));
        fields.put(field, typed);
        HttpResponse<String> answer = place(fields.entrySet().stream()
                .flatMap(one -> java.util.stream.Stream.of(one.getKey(), one.getValue()))
                .toArray(String[]::new));
        String shown = typed.matches("\\d{4}-\\d\\d-\\d\\d") // a day comes back as the business writes it
                ? typed.replaceFirst("(\\d+)-(\\d+)-(\\d+)", "$3/$2/$1")
                : typed;
        assertThat(answer.statusCode()).isEqualTo(422);
        assertThat(answer.body()).contains(expected, "value=\"" + shown + "\"");
        assertThat(count(tenant, "select count(*) from placement") + count(tenant, "select count(*) from spend"))
                .isZero();
    }

    @Test
    void a_price_without_a_number_is_asked_for_it() {
        assertThat(place("place", "Inn", "placedOn", "2026-02-01", "unitPrice", "1")
                        .body())
                .contains("A price each needs the number of copies");
    }

    @Test
    void an_ads_address_keeps_the_ad_systems_own_words_letter_for_letter() {
        String ad = person.get(page + "/ad?fill=placement%3D%7Bplacement%7D+kw%3D%7B%7Bkeyword%7D%7D")
                .body();
        assertThat(ad)
                .contains(
                        "https://walks.example/offer?a=1&amp;utm_source=cards&amp;utm_medium=print&amp;utm_campaign=spring&amp;placement={placement}&amp;kw={{keyword}}#book<")
                .contains("utm_campaign", "{{keyword}}</code>", "filled by the ad system", "http://" + tenant.host());
        assertThat(person.get(page + "/ad?fill=just+words").body()).contains("is not a name, an equals sign");
        assertThat(person.get(page + "/ad?fill=" + "x".repeat(5000)).statusCode())
                .isEqualTo(200);
    }

    @Test
    void a_partners_card_has_code_address_and_disclosure() {
        String link = page.replace("/place", "");
        person.form(link, link, "name", "Cards", "paid", "yes", "disclosure", "Paid partnership");
        assertThat(person.get(page + "/card").body())
                .contains(
                        "Whimbrel Walks", tenant.host() + ":" + port + "/" + slug, "Paid partnership", ".svg?side=70");
    }
}
