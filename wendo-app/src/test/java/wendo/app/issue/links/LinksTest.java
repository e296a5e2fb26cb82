package wendo.app.issue.links;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.http.HttpResponse;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import wendo.app.Http;
import wendo.app.WendoTest;

class LinksTest extends WendoTest {
    private Tenant tenant;

    @BeforeEach
    void open() {
        tenant = tenant("Curlew Canoes");
    }

    private HttpResponse<String> issue(String destination, String sources) {
        return http().post(
                        tenant.apiKey(),
                        "/api/v1/links",
                        "{\"destination\": \"%s\", \"campaign\": \"Spring Mailer\", \"sources\": [%s]}"
                                .formatted(destination, sources));
    }

    @Test
    void each_source_gets_a_link_with_its_own_tags() {
        HttpResponse<String> answer = issue(
                "curlew.example/offer?a=1#book",
                "{\"source\": \"Postcards\", \"channel\": \"print\", \"slug\": \"Card-1\"}, {\"source\": \"News\", \"channel\": \"newsletter\"}");
        assertThat(answer.statusCode()).isEqualTo(201);
        JsonNode links = Http.json(answer).get("links");
        assertThat(links).hasSize(2);
        assertThat(links.get(0).get("slug").asString()).isEqualTo("card-1");
        assertThat(links.get(0).get("url").asString()).isEqualTo("http://%s:%d/card-1".formatted(tenant.host(), port));
        assertThat(links.get(0).get("taggedDestination").asString())
                .isEqualTo(
                        "https://curlew.example/offer?a=1&utm_source=postcards&utm_medium=print&utm_campaign=spring-mailer#book");
        assertThat(links.get(1).get("taggedDestination").asString()).contains("utm_medium=email");
        assertThat(Http.json(http().api(tenant.apiKey(), "/api/v1/links")).get("links"))
                .hasSize(2);
    }

    @Test
    void each_issued_link_offers_what_its_channel_needs_next() {
        JsonNode links = Http.json(issue("curlew.example", """
                        {"source": "Postcards", "channel": "print"}, {"source": "Texts", "channel": "text"},
                        {"source": "News", "channel": "newsletter"}, {"source": "Ads", "channel": "ad"},
                        {"source": "Posts", "channel": "social"}, {"source": "Inn", "channel": "partner"},
                        {"source": "Jetty", "channel": "place"}, {"source": "Radio", "channel": "other"}""")).get("links");
        List<String> ids =
                links.valueStream().map(link -> link.get("id").asString()).toList();
        HttpResponse<String> done = http().signIn(tenant.email()).get("/issue/done?link=" + String.join("&link=", ids));
        assertThat(done.statusCode()).isEqualTo(200);
        List<String> pages = List.of(
                "/codes?link=%s",
                "/links/%s/message",
                "/links/%s/newsletter",
                "/links/%s/place/ad",
                "/signposts",
                "/links/%s/place/card",
                "/codes?link=%s",
                "/links/%s/place");
        for (int i = 0; i < pages.size(); i++) {
            assertThat(done.body())
                    .contains("<a class=\"button slim next-step\" href=\""
                            + pages.get(i).formatted(ids.get(i)) + "\">");
        }
        assertThat(done.body()).contains("All codes on sheets", "Test all");
    }

    @Test
    void all_are_issued_or_none() {
        issue("curlew.example", "{\"source\": \"Postcards\", \"slug\": \"taken\"}");
        HttpResponse<String> answer = issue(
                "curlew.example",
                "{\"source\": \"Fresh source\", \"slug\": \"free-one\"}, {\"source\": \"Other\", \"slug\": \"Taken\"}");
        assertThat(answer.statusCode()).isEqualTo(422);
        assertThat(answer.headers().firstValue("Content-Type")).hasValue("application/problem+json");
        assertThat(Http.json(answer).get("errors")).hasSize(1);
        assertThat(Http.json(answer).at("/errors/0/field").asString()).isEqualTo("sources[1].slug");
        assertThat(Http.json(answer).at("/errors/0/message").asString()).isEqualTo("“taken” is taken by another link.");
        assertThat(count(tenant, "select count(*) from link")).isOne();
        assertThat(count(tenant, "select count(*) from source"))
                .as("nor the sources made for them")
                .isOne();
    }

    @Test
    void look_alike_reserved_and_doubled_endings_are_refused() {
        issue("curlew.example", "{\"source\": \"Postcards\", \"slug\": \"slipway\"}");
        assertThat(issue("curlew.example", "{\"source\": \"A\", \"slug\": \"sl1pway\"}")
                        .body())
                .contains("looks like \\\"slipway\\\"");
        assertThat(issue("curlew.example", "{\"source\": \"A\", \"slug\": \"login\"}")
                        .body())
                .contains("kept for the link domain");
        assertThat(issue(
                                "curlew.example",
                                "{\"source\": \"A\", \"slug\": \"ab\"}, {\"source\": \"B\", \"slug\": \"a8\"}")
                        .body())
                .contains("Another link on this sheet");
        assertThat(issue("curlew.example", "{\"source\": \"A\", \"slug\": \"a b\"}")
                        .body())
                .contains("letters a to z");
    }

    @Test
    void bad_orders_are_told_what_is_wrong() {
        assertThat(issue("javascript:alert(1)", "{\"source\": \"A\"}").body()).contains("Only http and https");
        assertThat(issue("http://" + tenant.host() + "/x", "{\"source\": \"A\"}")
                        .body())
                .contains("itself one of your links");
        assertThat(issue("curlew.example", "").body()).contains("Name 1 to 40 sources; there were 0.");
        assertThat(issue("curlew.example", "{\"source\": \"--\"}").body()).contains("sources[0].source");
        assertThat(issue("curlew.example", "{\"source\": \"A\", \"channel\": \"pigeon\"}")
                        .body())
                .contains("pigeon");
        assertThat(http().post(tenant.apiKey(), "/api/v1/links", "{broken").statusCode())
                .isEqualTo(400);
        assertThat(http().post(tenant.apiKey(), "/api/v1/links", "{}").statusCode())
                .isEqualTo(422);
        assertThat(count(tenant, "select count(*) from link")).isZero();
    }

    @Test
    void two_spellings_are_one_source() {
        issue("curlew.example", "{\"source\": \"Spring mailer\"}");
        issue("curlew.example", "{\"source\": \"SPRING_MAILER \"}");
        assertThat(count(tenant, "select count(*) from source")).isOne();
        assertThat(count(tenant, "select count(*) from link")).isEqualTo(2);
    }

    @Test
    void a_refused_desk_keeps_what_was_typed() {
        Http person = http().signIn(tenant.email());
        UUID source = addSource(person, "Campsite");
        HttpResponse<String> answer = person.form(
                "/issue",
                "/issue",
                "destination",
                "x".repeat(5000),
                "campaign",
                "Summer & sea",
                "note",
                "why",
                "source",
                source.toString(),
                "slug.0." + source,
                "No Good");
        assertThat(answer.statusCode()).isEqualTo(422);
        assertThat(answer.body())
                .contains(
                        "An address may have 2000 characters; this one has 5000.",
                        "Summer &amp; sea",
                        "x".repeat(5000),
                        "value=\"No Good\"",
                        "letters a to z");
    }

    @Test
    void a_source_made_on_the_spot_is_ticked_and_a_nameless_one_refused() {
        Http person = http().signIn(tenant.email());
        addSource(person, "Harbour sign");
        HttpResponse<String> refused =
                person.form("/issue", "/issue/source", "newSource", "", "newChannel", "place", "campaign", "Kept");
        assertThat(refused.statusCode()).isEqualTo(422);
        assertThat(refused.body()).contains("Name the new source", "value=\"Kept\"");
    }

    private UUID addSource(Http person, String name) {
        HttpResponse<String> answer = person.form("/issue", "/issue/source", "newSource", name, "newChannel", "place");
        assertThat(answer.body()).contains("Issue 1 link");
        return in(
                tenant,
                () -> jdbc.sql("select id from source where name = ?")
                        .param(name)
                        .query(UUID.class)
                        .single());
    }

    @Test
    void a_link_is_found_by_any_fragment_and_by_pasting_it() {
        List<String> slugs =
                http().issue(tenant.apiKey(), "https://curlew.example/p", "Spring", "Postcards to Rill", "Radio");
        Http person = http().signIn(tenant.email());
        String pasted = "HTTP%3A%2F%2F" + tenant.host() + "%2F" + slugs.get(0).toUpperCase(java.util.Locale.ROOT)
                + "%3Futm_source%3Dx";
        for (String find : List.of("cards+to", "POSTCARDS", slugs.get(0), pasted)) {
            assertThat(person.get("/links?find=" + find).body()).as(find).contains("1 link found", "Postcards to Rill");
        }
        assertThat(person.get("/links?find=curlew").body()).contains("2 links found");
        String radio = in(
                tenant,
                () -> jdbc.sql("select cast(id as text) from source where name = 'Radio'")
                        .query(String.class)
                        .single());
        assertThat(person.get("/links?source=" + radio).body())
                .contains("1 link of Radio", "&amp;source=" + radio)
                .doesNotContain("Postcards to Rill · Spring");
        assertThat(person.get("/links?source=" + radio + "&find=cards").body()).contains("0 links of Radio found");
        assertThat(person.get("/links?find=%25").body()).contains("0 links found");
    }

    @Test
    void a_link_issued_by_another_process_is_answered_within_a_second() {
        String slug = http().issue(tenant.apiKey(), "https://curlew.example/p", "Spring", "Radio")
                .get(0);
        await(
                "the directory hears of it",
                () -> http().visit(tenant.host(), slug).statusCode() == 302);
        in(
                tenant,
                () -> jdbc.sql("update link set tagged_address = 'https://moved.example/' where slug = ?")
                        .param(slug)
                        .update());
        await(
                "and of its change",
                () -> http().visit(tenant.host(), slug)
                        .headers()
                        .firstValue("Location")
                        .orElse("")
                        .startsWith("https://moved.example/"));
    }

    @Test
    void of_two_that_want_one_ending_at_once_one_gets_it_and_the_other_keeps_nothing() throws Exception {
        ExecutorService threads = Executors.newFixedThreadPool(8);
        try {
            List<Callable<Integer>> calls = new ArrayList<>();
            for (int i = 0; i < 8; i++) {
                String source = "{\"source\": \"Racer %d\", \"slug\": \"finish\"}".formatted(i);
                calls.add(() -> issue("curlew.example", source).statusCode());
            }
            List<Integer> statuses = new ArrayList<>();
            for (Future<Integer> call : threads.invokeAll(calls)) {
                statuses.add(call.get());
            }
            assertThat(statuses).containsOnly(201, 422).containsOnlyOnce(201);
        } finally {
            threads.shutdownNow();
        }
        assertThat(count(tenant, "select count(*) from link")).isOne();
        assertThat(count(tenant, "select count(*) from source")).isOne();
    }
}
