package wendo.app.desk.today;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.ZoneId;
import java.util.List;
import java.util.Locale;
import org.joda.money.CurrencyUnit;
import org.junit.jupiter.api.Test;
import wendo.app.Http;
import wendo.app.WendoTest;
import wendo.app.platform.site.Figures;

class TodayTest extends WendoTest {
    private static final TodayQueries.Brought NOTHING = new TodayQueries.Brought(0, 0, 0, 0, 0);

    @Test
    void an_empty_business_is_told_what_will_be_here() {
        String page = http().signIn(tenant("Quail Quays").email()).get("/today").body();
        assertThat(page)
                .contains(
                        "Nobody has come by a link yet today.",
                        "Visits and outcomes appear here as they happen.",
                        "Nothing: every link has been visited");
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
                        "/proof\"",
                        "Spend is missing for Opened",
                        "1 outcome has no known source")
                .doesNotContain("Opened · Spring was never", "Spend is missing for Forgotten");
    }

    @Test
    void what_is_put_off_comes_back_on_its_day_or_when_it_is_asked_for() {
        Tenant tenant = tenant("Rail & Reed");
        http().post(tenant.apiKey(), "/api/v1/outcomes", "{\"kind\": \"booking\", \"reference\": \"B-1\"}");
        Http person = http().signIn(tenant.email());
        String tomorrow =
                java.time.LocalDate.now(java.time.ZoneOffset.UTC).plusDays(2).toString();
        assertThat(person.get("/today").body())
                .contains("1 outcome has no known source")
                .doesNotContain("1 snoozed");
        assertThat(person.form("/today", "/today/put-off", "key", "unjoined", "until", tomorrow)
                        .statusCode())
                .isEqualTo(302);
        assertThat(person.get("/today").body())
                .contains("1 snoozed", "Show again", "Nothing: every link has been visited");
        in(
                tenant,
                () -> jdbc.sql("update put_off set until_day = current_date - 1")
                        .update());
        assertThat(person.get("/today").body()).as("its day has come").doesNotContain("1 snoozed");
        person.form("/today", "/today/put-off", "key", "unjoined", "until", tomorrow);
        person.form("/today", "/today/bring-back", "key", "unjoined");
        assertThat(person.get("/today").body()).doesNotContain("1 snoozed");
        for (String until : List.of("2020-01-01", "soon", "2999-01-01")) {
            assertThat(person.form("/today", "/today/put-off", "key", "unjoined", "until", until)
                            .statusCode())
                    .as(until)
                    .isEqualTo(400);
        }
    }

    /** Twelve bookings of £1,200 that came last week make a source earn which a week ago had brought nothing. */
    @Test
    void a_page_that_fails_and_a_verdict_that_changed_are_told_of() {
        Tenant tenant = tenant("Rail & Reed");
        http().issue(tenant.apiKey(), "https://rail.example/", "Spring", "Postcards");
        in(
                tenant,
                () -> jdbc.sql("update destination set failing_since = now(), problem = 'gone'")
                        .update());
        in(tenant, () -> jdbc.sql("""
                        insert into spend (id, business_id, source_id, way, amount_minor, unit_millis, shared_by, first_day, last_day,
                            note, created_at, created_by)
                        select gen_random_uuid(), business_id, id, 'lump', 120000, 0, '', current_date - 60, current_date - 30, '',
                            now(), '' from source where name = 'Postcards'
                        """).update());
        in(tenant, () -> jdbc.sql("""
                        insert into target (business_id, booking_minor) select business_id, 25000 from source where name = 'Postcards'
                        """).update());
        for (int i = 0; i < 12; i++) {
            http().post(
                            tenant.apiKey(),
                            "/api/v1/outcomes",
                            "{\"kind\": \"booking\", \"reference\": \"B-%d\", \"answer\": \"Postcards\"}".formatted(i));
        }
        await(
                "they are credited",
                () -> count(tenant, "select count(*) from credit where source_id is not null") == 12);
        String page = http().signIn(tenant.email()).get("/today").body();
        assertThat(page)
                .contains(
                        "A page does not answer: https://rail.example/",
                        "1 link leads to it.",
                        "Postcards is earning now",
                        "A week ago it was losing, judged by bookings.");
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
