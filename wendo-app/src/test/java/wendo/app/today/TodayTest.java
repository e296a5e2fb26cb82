package wendo.app.today;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.ZoneId;
import java.util.List;
import java.util.Locale;
import org.joda.money.CurrencyUnit;
import org.junit.jupiter.api.Test;
import wendo.app.Http;
import wendo.app.WendoTest;
import wendo.app.site.Figures;

class TodayTest extends WendoTest {
    private static final TodayQueries.Brought NOTHING = new TodayQueries.Brought(0, 0, 0, 0, 0);

    @Test
    void an_empty_business_is_told_what_will_be_here() {
        String page = http().signIn(tenant("Quail Quays").email()).get("/today").body();
        assertThat(page)
                .contains(
                        "Nobody has come by a link yet today.",
                        "Visits and outcomes appear here as they happen.",
                        "Nothing: no link waits");
    }

    @Test
    void what_needs_a_person_is_listed_with_where_to_put_it_right() {
        Tenant tenant = tenant("Rail & Reed");
        List<String> slugs = http().issue(tenant.apiKey(), "https://rail.example/", "Spring", "Opened", "Forgotten");
        await(
                "the links are known",
                () -> http().visit(tenant.host(), slugs.get(0)).statusCode() == 302);
        http().post(tenant.apiKey(), "/api/v1/outcomes", "{\"kind\": \"lead\", \"reference\": \"L-1\"}");
        in(
                tenant,
                () -> jdbc.sql("update link set created_at = now() - interval '8 days'")
                        .update());
        await("the visit is stored", () -> count(tenant, "select count(*) from visit") > 0);
        String page = http().signIn(tenant.email()).get("/today").body();
        assertThat(page)
                .contains(
                        "Forgotten · Spring was never opened",
                        "/proof\">Prove it",
                        "Spend is missing for Opened",
                        "1 outcome has no known source")
                .doesNotContain("Opened · Spring was never", "Spend is missing for Forgotten");
    }

    @Test
    void arrivals_come_newest_first_as_a_part_of_the_page() {
        Tenant tenant = tenant("Snipe Sails");
        String slug = http().issue(tenant.apiKey(), "https://snipe.example/", "Spring", "Postcards")
                .get(0);
        await("the link is known", () -> http().visit(tenant.host(), slug).statusCode() == 302);
        await("the visit is stored", () -> count(tenant, "select count(*) from visit") > 0);
        http().post(
                        tenant.apiKey(),
                        "/api/v1/outcomes",
                        "{\"kind\": \"booking\", \"reference\": \"B-9\", \"value\": \"12.50\"}");
        Http person = http().signIn(tenant.email());
        String part = person.send(person.request("/today/arrivals").header("HX-Request", "true"))
                .body();
        assertThat(part).startsWith("<ul").contains("from an unknown source", "£12.50", "by Postcards");
        assertThat(part.indexOf("Booking")).isLessThan(part.indexOf("Visit"));
    }

    @Test
    void the_sentence_counts_in_words_that_fit() {
        Figures figures = new Figures(CurrencyUnit.GBP, ZoneId.of("Europe/London"), Locale.UK);
        TodaySentence sentence = TodaySentence.of(
                new TodayQueries.Brought(1, 2, 1, 0, 5_000),
                new TodayQueries.Brought(1200, 1, 0, 1, 1_999),
                NOTHING,
                figures);
        assertThat(sentence)
                .isEqualTo(
                        new TodaySentence(
                                "Today so far: 1 person, 2 leads, 1 booking and 0 purchases.",
                                "The seven days before brought 1,200 people, 1 lead, 0 bookings and 1 purchase, worth £19.99 (£0.00 in the week before that)."));
    }
}
