package wendo.app.money.spend;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.http.HttpResponse;
import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import org.jsoup.Jsoup;
import org.jsoup.nodes.Document;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import wendo.app.Http;
import wendo.app.WendoTest;
import wendo.core.measure.Period;

class SpendTest extends WendoTest {
    private static final String DAYS = "?from=2026-05-01&to=2026-05-02";

    @Autowired
    private Spends spends;

    private Tenant tenant;
    private Http person;

    @BeforeEach
    void two_sources() {
        tenant = tenant("Heron Hire");
        http().issue(tenant.apiKey(), "https://heron.example/", "Spring", "Postcards", "Campsite");
        person = http().signIn(tenant.email());
    }

    private String source(String name) {
        return "source:" + id("source", name);
    }

    private UUID id(String table, String name) {
        return in(
                tenant,
                () -> jdbc.sql("select id from %s where name = ?".formatted(table))
                        .param(name)
                        .query(UUID.class)
                        .single());
    }

    private HttpResponse<String> enter(
            String address, String subject, String way, String amount, String first, String last, String... more) {
        List<String> fields = new java.util.ArrayList<>(
                List.of("subject", subject, "way", way, "amount", amount, "firstDay", first, "lastDay", last));
        fields.addAll(List.of(more));
        return person.form("/spend", address, fields.toArray(String[]::new));
    }

    private UUID entry() {
        return in(
                tenant, () -> jdbc.sql("select id from spend").query(UUID.class).single());
    }

    private long within(String source, String first, String last) {
        UUID id = id("source", source);
        return in(
                tenant,
                () -> spends.bySource(Period.ofDays(LocalDate.parse(first), LocalDate.parse(last)))
                        .getOrDefault(id, -1L));
    }

    @Test
    void what_is_wrong_is_said_and_kept_as_typed() {
        HttpResponse<String> refused =
                enter("/spend" + DAYS, "", "lump", "lots", "2026-05-02", "2026-05-01", "note", "kept note");
        assertThat(refused.statusCode()).isEqualTo(422);
        assertThat(refused.body())
                .contains(
                        "Choose the source",
                        "Enter an amount in GBP, like 1,250.00.",
                        "The last day is before the first.",
                        "kept note",
                        "value=\"lots\"");
        assertThat(enter("/spend", source("Postcards"), "lump", "1", "2026-05-02", "")
                        .body())
                .contains("Choose a day, like 2026-05-01.");
        assertThat(enter("/spend", "campaign:" + id("campaign", "Spring"), "visit", "0.30", "2026-05-02", "")
                        .body())
                .contains("A price for each visit is of one source");
        assertThat(enter("/spend", "source:" + tenant.id().value(), "lump", "1", "2026-05-02", "2026-05-02")
                        .statusCode())
                .isEqualTo(422);
    }

    @Test
    void the_columns_and_the_sort_stay_whether_an_amount_is_taken_or_refused() {
        String look = DAYS + "&sort=cost&columns=source.entered";
        HttpResponse<String> entered =
                enter("/spend" + look, source("Postcards"), "lump", "5", "2026-05-01", "2026-05-04");
        assertThat(entered.headers().firstValue("Location").orElseThrow()).endsWith("/spend" + look);
        HttpResponse<String> refused =
                enter("/spend" + look, source("Postcards"), "lump", "lots", "2026-05-01", "2026-05-04");
        assertThat(refused.statusCode()).isEqualTo(422);
        Document page = Jsoup.parse(refused.body());
        assertThat(page.select("thead .sorting").eachText()).containsExactly("Source", "Entered by");
        assertThat(page.select("input[name=sort]").val()).isEqualTo("cost");
    }

    @Test
    void an_amount_is_entered_removed_and_put_back() {
        HttpResponse<String> entered = enter(
                "/spend" + DAYS, source("Postcards"), "lump", "£100.01", "2026-05-01", "2026-05-04", "note", "cards");
        assertThat(entered.headers().firstValue("Location").orElseThrow()).endsWith("/spend" + DAYS);
        assertThat(person.get("/spend" + DAYS).body()).contains("£50.01 spent in this period", "£100.01", "cards");
        UUID id = entry();
        assertThat(person.form("/spend", "/spend/remove" + DAYS, "spend", id.toString())
                        .statusCode())
                .isEqualTo(302);
        assertThat(person.get("/spend" + DAYS).body())
                .contains("Removed £100.01, 1 May – 4 May 2026 for Postcards.", "£0.00 spent");
        assertThat(person.get("/spend" + DAYS).body()).doesNotContain("Restore");
        assertThat(person.form("/spend", "/spend/put-back" + DAYS, "spend", id.toString())
                        .statusCode())
                .isEqualTo(302);
        assertThat(person.form("/spend", "/spend/put-back" + DAYS, "spend", id.toString())
                        .statusCode())
                .as("once is enough")
                .isEqualTo(404);
        assertThat(within("Postcards", "2026-05-01", "2026-05-04")).isEqualTo(10_001);
    }

    @Test
    void many_amounts_are_removed_and_put_back_together() {
        enter("/spend", source("Postcards"), "lump", "10", "2026-05-01", "2026-05-04");
        enter("/spend", source("Campsite"), "lump", "20", "2026-05-01", "2026-05-04");
        List<String> boxes =
                Jsoup.parse(person.get("/spend" + DAYS).body()).select("input[form=many][name=spend]").stream()
                        .map(box -> box.val())
                        .toList();
        assertThat(boxes).hasSize(2);
        person.form(
                "/spend", "/spend/remove" + DAYS, "spend", boxes.get(0), "spend", boxes.get(1), "spend", "nonsense");
        Document page = Jsoup.parse(person.get("/spend" + DAYS).body());
        assertThat(page.text()).contains("Removed 2 amounts.", "£0.00 spent");
        assertThat(page.select("form[action^=/spend/put-back] input[name=spend]"))
                .hasSize(2);
        person.form("/spend", "/spend/put-back" + DAYS, "spend", boxes.get(0), "spend", boxes.get(1));
        assertThat(within("Postcards", "2026-05-01", "2026-05-04")).isEqualTo(1_000);
        assertThat(within("Campsite", "2026-05-01", "2026-05-04")).isEqualTo(2_000);
    }

    @Test
    void a_correction_keeps_what_was_said_before() {
        enter("/spend", source("Postcards"), "lump", "98", "2026-05-01", "2026-05-30");
        UUID id = entry();
        assertThat(enter("/spend/" + id, source("Postcards"), "lump", "-5", "2026-05-01", "2026-05-30")
                        .statusCode())
                .isEqualTo(422);
        enter("/spend/" + id, source("Campsite"), "month", "89", "2026-05-01", "");
        assertThat(person.get("/spend/" + id).body())
                .contains("£98.00, 1 May – 30 May 2026 for Postcards", "corrected by Ola Ness", "value=\"89.00\"");
        assertThat(person.get("/spend" + DAYS).body()).contains("£89.00 each month, from 1 May 2026 on", "(corrected)");
        assertThat(within("Campsite", "2026-06-01", "2026-08-31")).isEqualTo(3 * 8_900);
        assertThat(within("Postcards", "2026-05-01", "2026-05-31"))
                .as("nothing any more")
                .isEqualTo(-1);
        Http stranger = http().signIn(tenant("Somebody Else").email());
        assertThat(stranger.get("/spend/" + id).statusCode()).isEqualTo(404);
        assertThat(stranger.form("/spend", "/spend/remove", "spend", id.toString())
                        .statusCode())
                .isEqualTo(404);
    }

    /** 7 visits of 3 pence and a half, on the days that it covers, are 25 pence, rounded once. */
    @Test
    void a_price_per_visit_is_paid_for_the_visits_of_its_days() {
        visits("Postcards", "2026-05-01", 7);
        visits("Postcards", "2026-06-01", 100);
        enter("/spend", source("Postcards"), "visit", "0.035", "2026-05-01", "2026-05-31");
        assertThat(within("Postcards", "2026-04-01", "2026-06-30")).isEqualTo(25);
        assertThat(within("Postcards", "2026-05-02", "2026-06-30")).isZero();
        assertThat(person.get("/spend?from=2026-05-01&to=2026-05-31").body())
                .contains("£0.035 for each visit, 1 May – 31 May 2026", "£0.25 spent in this period");
    }

    private void visits(String source, String day, long visits) {
        in(tenant, () -> jdbc.sql("""
                        insert into visit_sum
                        select business_id, id, cast(? as date), 'person', true, ? from link where source_id = ?
                        """).params(day, visits, id("source", source)).update());
    }

    @Test
    void the_sources_of_a_campaign_share_its_cost_by_the_chosen_rule() {
        visits("Postcards", "2026-05-01", 30);
        visits("Campsite", "2026-05-01", 10);
        String spring = "campaign:" + id("campaign", "Spring");
        enter("/spend", spring, "lump", "100.01", "2026-05-01", "2026-05-02", "sharedBy", "equally");
        assertThat(within("Postcards", "2026-05-01", "2026-05-02") + within("Campsite", "2026-05-01", "2026-05-02"))
                .isEqualTo(10_001);
        assertThat(Math.abs(within("Postcards", "2026-05-01", "2026-05-02")
                        - within("Campsite", "2026-05-01", "2026-05-02")))
                .isOne();
        UUID id = entry();
        enter("/spend/" + id, spring, "lump", "100", "2026-05-01", "2026-05-02", "sharedBy", "visits");
        assertThat(within("Postcards", "2026-05-01", "2026-05-02")).isEqualTo(7_500);
        enter("/spend/" + id, spring, "lump", "100", "2026-05-01", "2026-05-02", "sharedBy", "copies");
        assertThat(within("Postcards", "2026-05-01", "2026-05-02"))
                .as("no copies are known")
                .isEqualTo(5_000);
        in(tenant, () -> jdbc.sql("""
                        insert into placement (id, business_id, link_id, place, placed_on, ends_on, copies, note, created_at,
                            created_by)
                        select gen_random_uuid(), business_id, id, 'here', '2026-05-01', '2026-05-01', 300, '', now(), '' from link
                        where source_id = ?
                        """).param(id("source", "Campsite")).update());
        assertThat(within("Campsite", "2026-05-01", "2026-05-02")).isEqualTo(10_000);
        assertThat(person.get("/compare?by=campaign&from=2026-05-01&to=2026-05-02")
                        .body())
                .contains("£100.00");
    }

    @Test
    void what_people_came_by_and_nobody_paid_for_is_missing_until_it_is_said_to_cost_nothing() {
        in(tenant, () -> jdbc.sql("""
                        insert into visit_person_sum
                        select business_id, 'source', id, true, '2026-05-01', '-infinity', 12 from source where name = 'Campsite'
                        """).update());
        assertThat(person.get("/spend" + DAYS).body()).contains("No spend entered for", "Campsite, 12 people");
        assertThat(person.form(
                                "/spend" + DAYS,
                                "/spend/nothing" + DAYS,
                                "source",
                                id("source", "Campsite").toString())
                        .statusCode())
                .isEqualTo(302);
        assertThat(person.get("/spend" + DAYS).body())
                .contains("nothing, from 1 May 2026 on")
                .doesNotContain("No spend entered for");
        assertThat(within("Campsite", "2026-05-01", "2026-05-02"))
                .as("known to be none")
                .isZero();
        assertThat(person.form(
                                "/spend",
                                "/spend/nothing",
                                "source",
                                UUID.randomUUID().toString())
                        .statusCode())
                .isEqualTo(404);
    }
}
