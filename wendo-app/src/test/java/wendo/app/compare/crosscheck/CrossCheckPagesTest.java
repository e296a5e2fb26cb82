package wendo.app.compare.crosscheck;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.URI;
import java.net.http.HttpResponse;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import wendo.app.Http;
import wendo.app.WendoTest;

/** Of a campsite: four people and a robot came by its link today, one of them twice, and two booked. */
class CrossCheckPagesTest extends WendoTest {
    private Tenant tenant;
    private String slug = "";
    private LocalDate today = LocalDate.EPOCH;

    @BeforeEach
    void a_campsite() {
        tenant = tenant("Plover Paddles");
        today = LocalDate.now(ZoneId.of("Europe/London"));
        slug = http().issue(tenant.apiKey(), "https://plover.example/", "Spring", "Campsite")
                .get(0);
        await(
                "the link is known",
                () -> http().send(http().request("/" + slug)
                                        .header("Host", tenant.host())
                                        .setHeader("User-Agent", "curl/8.5.0"))
                                .statusCode()
                        == 302);
        for (int person = 0; person < 4; person++) {
            Http visitor = http();
            String click = Http.click(visitor.visit(tenant.host(), slug));
            if (person == 0) {
                visitor.visit(tenant.host(), slug);
            }
            if (person < 2) {
                book("B-" + person, click);
            }
        }
        book("B-unknown", "");
        await(
                "all is stored and credited",
                () -> count(tenant, "select count(*) from credit") == 2
                        && count(tenant, "select sum(visits) from visit_sum") == 6);
    }

    private void book(String reference, String click) {
        http().post(
                        tenant.apiKey(),
                        "/api/v1/outcomes",
                        "{\"kind\": \"booking\", \"reference\": \"%s\", \"value\": \"10\", \"clickId\": \"%s\"}"
                                .formatted(reference, click));
    }

    private HttpResponse<String> bring(Http person, String counted, String pasted) {
        String source = in(
                tenant,
                () -> jdbc.sql("select id from source where name = 'Campsite'")
                        .query(String.class)
                        .single());
        return person.form(
                "/compare/cross-checks",
                "/compare/cross-checks",
                "source",
                source,
                "system",
                "The campsite’s own list",
                "counted",
                counted,
                "zone",
                "Europe/London",
                "tolerance",
                "15",
                "pasted",
                pasted);
    }

    private static String address(HttpResponse<String> made) {
        assertThat(made.statusCode()).as(made.body()).isEqualTo(302);
        return URI.create(made.headers().firstValue("Location").orElseThrow()).getPath();
    }

    private static String text(String page) {
        return page.replaceAll("<[^>]*>", " ").replaceAll("\\s+", " ");
    }

    @Test
    void visits_are_laid_beside_theirs_and_what_we_leave_out_explains_them() {
        Http person = http().signIn(tenant.email());
        HttpResponse<String> made =
                bring(person, "visit", "Day;Clicks\n%s;6\n%s;0\n".formatted(today, today.minusDays(1)));
        String page = text(person.get(address(made)).body());
        assertThat(page)
                .contains(
                        "The campsite’s own list says 6 visits, Wendo counted 4",
                        "50.0% more than ours, beyond the tolerance of 15%.",
                        "Wendo leaves them out; they may count them +1",
                        "Wendo counts them once +1",
                        "Total 4 6 +2",
                        "Together these explain any count from 4 to 6. Theirs lies within.");
        assertThat(page).as("no site tag has seen any page").doesNotContain("Lost before");
    }

    @Test
    void what_disagrees_stands_on_today_until_it_agrees() {
        Http person = http().signIn(tenant.email());
        String address = address(bring(person, "booking", "%s, 4".formatted(today)));
        assertThat(text(person.get(address).body()))
                .contains(
                        "says 4 bookings, Wendo counted 2",
                        "bookings without a source here; some may be theirs +1",
                        "Together these explain any count from 2 to 3. 1 of theirs remain unexplained");
        assertThat(text(person.get("/today").body()))
                .contains("Campsite: The campsite’s own list says 4 bookings, Wendo counted 2", "the tolerance of 15%");
        person.form(address, address, "pasted", "%s, 2".formatted(today));
        assertThat(text(person.get(address).body())).contains("the same as ours, within the tolerance of 15%.");
        assertThat(person.get("/today").body()).doesNotContain("The campsite’s own list");
    }

    @Test
    void what_cannot_be_read_is_named_line_by_line_and_nothing_is_kept() {
        Http person = http().signIn(tenant.email());
        HttpResponse<String> refused =
                bring(person, "visit", "%s, 6\nyesterday, 4\n%s, many\n%s, 3".formatted(today, today, today));
        assertThat(refused.statusCode()).isEqualTo(422);
        assertThat(refused.body())
                .contains("Line 2: “yesterday” is no day. Line 3: “many” is no whole number.", "yesterday, 4");
        assertThat(count(tenant, "select count(*) from cross_check")).isZero();
        HttpResponse<String> empty =
                person.form("/compare/cross-checks", "/compare/cross-checks", "zone", "Mars", "tolerance", "0");
        assertThat(empty.body())
                .contains(
                        "Choose the source",
                        "Enter who counted",
                        "A time zone is written like",
                        "A whole number, 1 to 100.");
    }

    @Test
    void what_is_removed_can_be_put_back_and_is_no_other_tenants() {
        Http person = http().signIn(tenant.email());
        String address = address(bring(person, "visit", "%s, 9".formatted(today)));
        Http stranger = http().signIn(tenant("Somebody Else").email());
        assertThat(stranger.get(address).statusCode()).isEqualTo(404);
        assertThat(stranger.form("/compare/cross-checks", address + "/remove").statusCode())
                .isEqualTo(404);
        assertThat(stranger.form("/compare/cross-checks", address + "/put-back").statusCode())
                .isEqualTo(404);
        person.form(address, address + "/remove");
        assertThat(person.get(address).statusCode()).isEqualTo(404);
        assertThat(person.get("/today").body()).doesNotContain("The campsite’s own list");
        person.form("/compare/cross-checks", address + "/put-back");
        assertThat(person.get(address).statusCode()).isEqualTo(200);
    }

    /** As systems write their reports; days and numbers by hand. */
    @Test
    void counts_are_read_in_the_forms_that_people_have() {
        for (String pasted : List.of(
                "2026-05-03, 1204\n2026-05-04, 7",
                "Date\tCampaign\tClicks\n03/05/2026\tSpring\t1,200\n03/05/2026\tSummer\t4\n04/05/2026\tSpring\t7",
                "3.5.2026;1.204\n4.5.2026;7\n")) {
            assertThat(TheirCounts.read(pasted, Optional.empty(), Locale.UK).byDay())
                    .as(pasted)
                    .containsEntry(LocalDate.of(2026, 5, 3), 1204L)
                    .containsEntry(LocalDate.of(2026, 5, 4), 7L)
                    .hasSize(2);
        }
        assertThat(TheirCounts.read("", Optional.empty(), Locale.UK).faults()).isNotEmpty();
        assertThat(TheirCounts.read("nothing here", Optional.empty(), Locale.UK)
                        .faults()
                        .get(0))
                .contains("A column of days");
    }

    /** The other side knows one address; it sees this count and nothing else. */
    @Test
    void both_sides_see_one_view_write_to_each_other_and_settle_a_number() {
        Http person = http().signIn(tenant.email());
        String page = address(bring(person, "visit", "%s, 7".formatted(today)));
        person.form(page, page + "/share");
        String open = person.get(page).body().replaceAll("(?s).*(/t/counts/[\\w-]{22}).*", "$1");
        Http campsite = http();
        assertThat(text(campsite.get(open).body()))
                .contains("Counting visits of Campsite", "Plover Paddles counted 4, The campsite’s own list counted 7.")
                .doesNotContain("B-0", "plover.example", "/compare/");
        assertThat(campsite.form(open, open + "/notes", "body", "").body()).contains("Write something first.");
        campsite.form(open, open + "/notes", "body", "We count <i>each</i> opening.");
        person.form(page, page + "/notes", "body", "Then 5 is right.");
        assertThat(campsite.get(open).body()).contains("We count &lt;i&gt;each&lt;/i&gt; opening.", "Then 5 is right.");
        assertThat(person.get(page).body()).contains("We count &lt;i&gt;each&lt;/i&gt; opening.");
        assertThat(campsite.form(open, open + "/days", "pasted", "nonsense").body())
                .contains("Enter a day and a whole number");
        campsite.form(open, open + "/days", "pasted", "%s, 5\n2001-01-01, 9".formatted(today));
        assertThat(text(person.get(page).body())).contains("says 5 visits, Wendo counted 4");
        assertThat(count(tenant, "select count(*) from their_count"))
                .as("a day that nobody asked about")
                .isEqualTo(1);
        campsite.form(open, open + "/agreement", "number", "5", "name", "Wren");
        assertThat(text(person.get(page).body())).contains("Wren agrees to 5.").doesNotContain("Settled");
        assertThat(person.form(page, page + "/agreement", "number", "five").statusCode())
                .isEqualTo(422);
        person.form(page, page + "/agreement", "number", "5");
        assertThat(text(person.get(page).body())).contains("Settled at 5.");
        assertThat(text(campsite.get(open).body())).contains("Settled at 5.");
        person.form(page, page + "/share", "page", "close");
        assertThat(campsite.get(open).statusCode()).isEqualTo(404);
        assertThat(campsite.get("/t/counts/AAAAAAAAAAAAAAAAAAAAAA").statusCode())
                .isEqualTo(404);
    }

    /** Three links on the domain, of two sources: all people's visits by them are the domain's. */
    @Test
    void a_domain_is_counted_as_a_whole() {
        List<String> others =
                http().issue(tenant.apiKey(), "https://plover.example/b", "Spring", "Guest house", "Shop");
        for (String other : others) {
            await("it leads on", () -> http().visit(tenant.host(), other).statusCode() == 302);
        }
        await("all is stored", () -> count(tenant, "select sum(visits) from visit_sum") >= 8);
        long people = count(tenant, "select sum(visits) from visit_sum where kind = 'person'");
        String domain = in(
                tenant,
                () -> jdbc.sql("select id from link_host").query(String.class).single());
        Http person = http().signIn(tenant.email());
        String[] fields = {
            "source",
            domain,
            "system",
            "The leaseholder",
            "zone",
            "Europe/London",
            "tolerance",
            "15",
            "pasted",
            today + ", " + (people + 3),
            "counted",
            "visit"
        };
        String page = person.form("/compare/cross-checks", "/compare/cross-checks", fields)
                .headers()
                .firstValue("Location")
                .map(address -> person.get(URI.create(address).getPath()).body())
                .orElseThrow();
        assertThat(page)
                .contains(tenant.host(), "50.0% more than ours", "people’s visits by the domain’s links")
                .contains("Robots", "+1", "Double taps");
        fields[fields.length - 1] = "booking";
        assertThat(person.form("/compare/cross-checks", "/compare/cross-checks", fields)
                        .body())
                .contains("For a link domain, compare visits.");
        assertThat(person.get("/compare/cross-checks").body()).contains("Link domains", tenant.host());
    }
}
