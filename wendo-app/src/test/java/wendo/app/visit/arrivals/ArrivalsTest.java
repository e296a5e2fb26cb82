package wendo.app.visit.arrivals;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.util.List;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import wendo.app.Http;
import wendo.app.WendoTest;

class ArrivalsTest extends WendoTest {
    private static final String VISITOR = "0123456789abcdef0123456789abcdef";
    private static final String PAGE = "https://www.teal.example/tours";

    private Tenant tenant;
    private Http person;
    private String slug;

    @BeforeEach
    void open() {
        tenant = tenant("Teal Tours");
        person = http().signIn(tenant.email());
        slug = http().issue(tenant.apiKey(), "https://teal.example/", "Spring", "Reed Campsite")
                .get(0);
    }

    private HttpResponse<String> tell(String what, String fields) {
        return http().send(http().request("/t/" + what)
                .header("Host", tenant.host())
                .header("Content-Type", "text/plain")
                .header("Origin", SITE)
                .POST(HttpRequest.BodyPublishers.ofString(
                        "{\"site\": \"%s\", %s}".formatted(tenant.siteKey(), fields))));
    }

    private void arrive(String visitor, String page, String referrer) {
        assertThat(tell(
                                "arrivals",
                                "\"visitor\": \"%s\", \"address\": \"%s\", \"referrer\": \"%s\""
                                        .formatted(visitor, page, referrer))
                        .statusCode())
                .isEqualTo(204);
    }

    private void report(String reference, String more) {
        assertThat(tell(
                                "outcomes",
                                "\"kind\": \"booking\", \"value\": 40, \"reference\": \"%s\", %s"
                                        .formatted(reference, more))
                        .statusCode())
                .isEqualTo(204);
    }

    private void awaitSource(String reference, String source) {
        await(
                reference + " goes to " + source,
                () -> in(
                        tenant,
                        () -> jdbc.sql("""
                                select s.name from outcome_source c join outcome o on o.id = c.outcome_id
                                join source s on s.id = c.source_id where o.reference = ?
                                """)
                                .param(reference)
                                .query(String.class)
                                .list()
                                .equals(List.of(source))));
    }

    private List<String> origins() {
        return in(
                tenant,
                () -> jdbc.sql("select origin || ' ' || kind from site_arrival order by arrived_at")
                        .query(String.class)
                        .list());
    }

    @Test
    void what_led_here_is_kept_in_full_and_earns_what_nothing_stronger_does() {
        arrive(VISITOR, PAGE, "https://tides.example/coast/today?day=3");
        report("B-1", "\"visitor\": \"%s\"".formatted(VISITOR));
        awaitSource("B-1", "Other websites");
        assertThat(person.get("/links/none").body())
                .contains("1 person came to your site without a link", "https://tides.example/coast/today?day=3");
        String click = Http.click(http().visit(tenant.host(), slug));
        report("B-2", "\"visitor\": \"%s\", \"clickId\": \"%s\"".formatted(VISITOR, click));
        awaitSource("B-2", "Reed Campsite");
        report("B-3", "\"visitor\": \"%s\"".formatted(VISITOR.replace('0', 'f')));
        String ledger = person.get("/outcomes").body();
        assertThat(ledger)
                .contains(
                        "The visitor came from https://tides.example/coast/today?day=3: it stands for Other websites.")
                .contains("points to Other websites instead; the stronger evidence decides.");
        assertThat(person.get("/outcomes?joined=no").body()).contains("B-3").doesNotContain("B-1<", "B-2<");
        assertThat(person.get("/issue").body())
                .as("no link is issued for what stands for arrivals without one")
                .contains("Reed Campsite")
                .doesNotContain("Other websites");
    }

    @Test
    void a_tag_that_no_source_has_is_listed_and_becomes_one_with_all_that_it_brought() {
        arrive(VISITOR, PAGE + "?utm_source=Tide%20Tables&utm_medium=x#y", "https://tides.example/");
        arrive(VISITOR.replace('0', 'f'), PAGE + "?a=1&utm_source=tide-tables", "");
        report("B-7", "\"visitor\": \"%s\"".formatted(VISITOR));
        awaitSource("B-7", "Other websites");
        assertThat(person.get("/links/none").body())
                .contains("Tags without a source", "<code>tide-tables</code>", "Landing pages")
                .contains("<code>" + PAGE + "</code>")
                .doesNotContain("<code>" + PAGE + "?");
        assertThat(person.form("/links/none", "/links/none/tags", "tag", "Tide Tables", "channel", "other")
                        .statusCode())
                .isEqualTo(302);
        assertThat(person.get("/links/none").body()).contains("Choose a channel for the tag.");
        person.form("/links/none", "/links/none/tags", "tag", "tide-tables", "channel", "other");
        assertThat(person.get("/links/none").body())
                .contains("Tide tables is a source now.")
                .doesNotContain("Tags without a source");
        awaitSource("B-7", "Tide tables");
        assertThat(origins()).containsExactly("tagged person", "tagged person");
    }

    @Test
    void a_website_can_stand_for_a_source_of_its_own_also_afterwards() {
        arrive(VISITOR, PAGE, "https://www.reed.example/neighbours");
        report("B-4", "\"visitor\": \"%s\"".formatted(VISITOR));
        awaitSource("B-4", "Other websites");
        String source = in(
                tenant,
                () -> jdbc.sql("select id::text from source where name = 'Reed Campsite'")
                        .query(String.class)
                        .single());
        for (String typed : List.of("https://www.reed.example/x", "reed.example")) {
            assertThat(person.form("/links/none", "/setup/codes", "kind", "referrer", "text", typed, "source", source)
                            .statusCode())
                    .isEqualTo(302);
        }
        awaitSource("B-4", "Reed Campsite");
        assertThat(count(tenant, "select count(*) from source_clue")).isOne();
        assertThat(person.form("/links/none", "/setup/codes", "kind", "referrer", "text", "???", "source", source)
                        .statusCode())
                .isEqualTo(422);
    }

    @Test
    void arrivals_are_sorted_and_the_site_itself_is_none() {
        arrive(VISITOR, PAGE, "https://teal.example/");
        assertThat(origins()).as("from the site itself").isEmpty();
        arrive(VISITOR, PAGE + "?utm_source=Reed%20Campsite", "https://tides.example/");
        arrive(VISITOR, PAGE, "");
        arrive("nonsense", PAGE, "");
        http().send(http().request("/t/arrivals")
                .header("Host", tenant.host())
                .setHeader("User-Agent", "curl/8.5.0")
                .POST(HttpRequest.BodyPublishers.ofString(
                        "{\"site\": \"%s\", \"address\": \"%s\"}".formatted(tenant.siteKey(), PAGE))));
        assertThat(origins()).containsExactly("tagged person", "direct repeat", "direct person", "direct robot");
        assertThat(person.get("/links/none").body())
                .contains(
                        "2 people came to your site",
                        "Tags that name a source",
                        "Reed Campsite",
                        "2 arrivals of robots");
    }

    @Test
    void the_same_visitor_is_known_from_the_page_a_visit_ended_on() {
        String click = Http.click(http().visit(tenant.host(), slug));
        await("the visit is stored", () -> count(tenant, "select count(*) from visit") == 1);
        tell(
                "landings",
                "\"clickId\": \"%s\", \"visitor\": \"%s\", \"address\": \"%s\"".formatted(click, VISITOR, PAGE));
        report("B-5", "\"visitor\": \"%s\"".formatted(VISITOR));
        awaitSource("B-5", "Reed Campsite");
        assertThat(person.get("/outcomes").body()).contains("The same visitor came before by “");
    }

    @Test
    void setup_shows_each_call_with_its_fields_and_what_was_wrong() {
        assertThat(person.get("/setup/site-tag").body()).contains("Nothing in the last day.");
        arrive(VISITOR, PAGE, "https://tides.example/");
        tell("arrivals", "\"address\": \"nowhere\"");
        tell("outcomes", "\"kind\": \"sale\", \"reference\": \"<b>1</b>\", \"refrence\": \"typo\"");
        tell("outcomes", "\"kind\": [1]");
        report("B-6", "\"colour\": \"red\"");
        String calls = person.get("/setup/site-tag/calls").body();
        assertThat(calls)
                .contains(
                        "https://tides.example/",
                        "An arrival tells the page&#39;s address.",
                        "Must be lead, booking or purchase",
                        "&lt;b&gt;1&lt;/b&gt;",
                        "A field is of another kind than it must be.",
                        "“colour” is no field of a report; it was left out.")
                .doesNotContain("<html");
        Tenant other = tenant("Osprey Outings");
        assertThat(http().signIn(other.email()).get("/setup/site-tag/calls").body())
                .contains("Nothing in the last day");
    }

    @Test
    void a_referring_page_of_any_length_keeps_no_outcome_from_its_credit() {
        String page = "https://tides.example/" + "x".repeat(1400);
        arrive(VISITOR, PAGE, page);
        report("B-7", "\"visitor\": \"%s\"".formatted(VISITOR));
        awaitSource("B-7", "Other websites");
        assertThat(person.get("/links/none").body()).contains(page);
    }
}
