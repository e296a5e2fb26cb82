package wendo.app.place.newsletters;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.springframework.beans.factory.annotation.Autowired;
import wendo.app.Http;
import wendo.app.WendoTest;
import wendo.app.platform.consent.ConsentGiven;
import wendo.app.platform.consent.ConsentPlace;
import wendo.app.platform.consent.ConsentPurpose;
import wendo.app.platform.consent.Consents;

/** Newsletters, and links that subscribe. */
class SubscribingTest extends WendoTest {
    @Autowired
    private Consents consents;

    private Tenant tenant;
    private Http person;
    private String slug;
    private UUID link;
    private String page;

    @BeforeEach
    void open() {
        tenant = tenant("Petrel Post");
        person = http().signIn(tenant.email());
        slug = http().issue(tenant.apiKey(), "https://petrel.example/thanks#top", "Spring", "Letter")
                .get(0);
        link = in(
                tenant, () -> jdbc.sql("select id from link").query(UUID.class).single());
        page = "/links/" + link + "/newsletter";
    }

    private void openOptIn(String... more) {
        java.util.List<String> fields =
                new java.util.ArrayList<>(java.util.List.of("open", "yes", "promise", "Tides & <times>, monthly"));
        fields.addAll(java.util.List.of(more));
        person.form(page, page + "/opt-in", fields.toArray(String[]::new));
        await(
                "the link host knows",
                () -> arrive(http(), "nobody")
                        .headers()
                        .firstValue("Location")
                        .orElseThrow()
                        .contains("/t/opt-in/"));
    }

    private HttpResponse<String> arrive(Http reader, String address) {
        return reader.visit(
                tenant.host(), slug + "?reader=" + java.net.URLEncoder.encode(address, StandardCharsets.UTF_8));
    }

    /** Follows the link as a browser would, up to the page that asks. */
    private HttpResponse<String> ask(Http reader, String address, String... headers) {
        String next = arrive(reader, address).headers().firstValue("Location").orElseThrow();
        java.util.List<String> all = new java.util.ArrayList<>(java.util.List.of("Host", tenant.host()));
        all.addAll(java.util.List.of(headers));
        var request = java.net.http.HttpRequest.newBuilder(java.net.URI.create("http://127.0.0.1:" + port + next))
                .headers(all.toArray(String[]::new));
        if (!all.contains("User-Agent")) {
            request.header("User-Agent", Http.BROWSER);
        }
        return reader.send(request);
    }

    /** Presses the page's button. */
    private HttpResponse<String> press(Http reader, HttpResponse<String> asked, String address) {
        String click = asked.body().replaceFirst("(?s)^.*name=\"wcl\" value=\"([^\"]*)\".*$", "$1");
        return reader.send(reader.request("/t/opt-in/" + link)
                .header("Host", tenant.host())
                .header("Content-Type", "application/x-www-form-urlencoded")
                .POST(java.net.http.HttpRequest.BodyPublishers.ofString(
                        "reader=" + java.net.URLEncoder.encode(address, StandardCharsets.UTF_8) + "&wcl=" + click)));
    }

    /** Where the page that thanks leads at once. */
    private static String onward(HttpResponse<String> done) {
        return done.body()
                .replaceFirst("(?s)^.*content=\"0;url=([^\"]+)\".*$", "$1")
                .replace("&amp;", "&");
    }

    private long subscribers() {
        return count(tenant, "select count(*) from subscriber where proof_id is null");
    }

    @Test
    void an_arrival_subscribes_once_and_goes_on_with_tags_and_click() throws Exception {
        openOptIn();
        Http ada = http();
        HttpResponse<String> asked = ask(ada, "Ada@Reed.example");
        assertThat(asked.body())
                .contains(
                        "data-goes-by-itself=\"yes\"",
                        "Tides &amp; &lt;times&gt;, monthly",
                        "value=\"Ada@Reed.example\"");
        assertThat(asked.headers().firstValue("Referrer-Policy")).hasValue("no-referrer");
        assertThat(subscribers()).as("opening the page alone does nothing").isZero();
        HttpResponse<String> done = press(ada, asked, "Ada@Reed.example");
        assertThat(done.statusCode()).isEqualTo(200);
        assertThat(onward(done))
                .matches(
                        "https://petrel\\.example/thanks\\?utm_source=letter&utm_medium=print&utm_campaign=spring&wcl=[0-9a-z]{26}#top");
        press(ada, asked, "ada@reed.example");
        press(http(), ask(http(), "ADA@reed.example"), "ADA@reed.example");
        assertThat(subscribers()).isOne();
        await(
                "the visit is stored",
                () -> count(
                                tenant,
                                "select count(*) from subscriber u join visit v on v.click_id = u.click_id where v.kind = 'person'")
                        == 1);
        assertThat(person.get("/subscribers?find=no-such").body()).contains("No subscriber matches.");
        assertThat(person.get("/subscribers").body()).contains("1 subscriber<", "Export CSV");
        assertThat(person.get("/subscribers?state=withdrawn").body()).contains("0 subscribers<");
        assertThat(person.get("/subscribers/subscribers.csv?days=7").body().lines())
                .hasSize(2);
        String csv = new String(person.bytes(person.request(page + "/subscribers.csv")), StandardCharsets.UTF_8);
        assertThat(csv.lines()).hasSize(2);
        assertThat(csv)
                .contains(
                        "E-mail,Subscribed at,Link,Source,Campaign",
                        "ada@reed.example,20",
                        "Letter · Spring,Letter,Spring");
        assertThat(person.get(page).body()).contains("1 subscribed");
    }

    @ParameterizedTest
    @ValueSource(strings = {"{{email}}", "*|EMAIL|*", "%%emailaddr%%", "[EMAIL]", "${email}"})
    void an_unsubstituted_placeholder_subscribes_nobody_and_says_why(String placeholder) {
        openOptIn();
        assertThat(ask(http(), placeholder).body())
                .contains("Nobody was subscribed", placeholder, "has not filled in the address")
                .doesNotContain("<form");
        assertThat(subscribers()).isZero();
        assertThat(person.get(page).body()).contains("A placeholder arrived unfilled.", placeholder);
    }

    @Test
    void a_subscription_is_an_outcome_of_its_source_and_can_be_compared_by() throws Exception {
        openOptIn();
        Http ada = http();
        press(ada, ask(ada, "ada@reed.example"), "ada@reed.example");
        press(ada, ask(ada, "ada@reed.example"), "ada@reed.example");
        await("it is credited to the source of its link", () -> count(tenant, """
                                select count(*) from credit c join outcome o on o.id = c.outcome_id join source s on s.id = c.source_id
                                where o.kind = 'subscription' and o.reported_by = 'opt-in' and s.name = 'Letter'
                                """) == 1);
        assertThat(count(tenant, "select count(*) from outcome where kind = 'subscription'"))
                .as("subscribed twice, it is one")
                .isOne();
        Http owner = http().signIn(tenant.email());
        assertThat(org.jsoup.Jsoup.parse(owner.get("/compare").body())
                        .select("table.compare thead th")
                        .eachText())
                .contains("Subscriptions");
        assertThat(owner.get("/compare?kind=subscription").body()).contains("Cost per subscription");
    }

    @Test
    void a_link_to_a_list_that_asks_by_mail_keeps_the_visit_until_it_is_confirmed() throws Exception {
        person.form(
                "/subscribers/lists", "/subscribers/lists", "name", "Tides", "promise", "Monthly", "confirms", "yes");
        String list = in(
                tenant,
                () -> jdbc.sql("select id::text from newsletter_list")
                        .query(String.class)
                        .single());
        openOptIn("list", list, "labels", "From the letter");
        HttpResponse<String> asked = press(http(), ask(http(), "ada@reed.example"), "ada@reed.example");
        assertThat(asked.body()).contains("Check your mail").doesNotContain("http-equiv=\"refresh\"");
        assertThat(subscribers()).isZero();
        String path = in(
                tenant,
                () -> jdbc.sql("select '/t/join/' || id from join_request")
                        .query(String.class)
                        .single());
        http().send(http().request(path)
                .header("Host", tenant.host())
                .POST(java.net.http.HttpRequest.BodyPublishers.noBody()));
        await("it is credited to the source of its link", () -> count(tenant, """
                                select count(*) from credit c join outcome o on o.id = c.outcome_id join source s on s.id = c.source_id
                                join subscriber u on u.email = o.email
                                where o.kind = 'subscription' and s.name = 'Letter' and 'From the letter' = any(u.labels)
                                """) == 1);
    }

    @Test
    void who_unsubscribed_at_the_sending_system_gets_nothing_more_from_here() {
        in(tenant, () -> {
            consents.state(new ConsentGiven(
                    List.of("ada@reed.example", "bo@reed.example", "cy@reed.example"),
                    Set.of(ConsentPurpose.EMAIL_NEWS),
                    "Asked at the counter",
                    ConsentPlace.TOLD,
                    UUID.randomUUID(),
                    Optional.empty(),
                    Optional.empty(),
                    ""));
            return tenant;
        });
        HttpResponse<String> told = http().post(
                        tenant.apiKey(),
                        "/api/v1/unsubscribes",
                        "{\"emails\": [\"Ada@Reed.example\", \"nobody@reed.example\", \"x\"]}");
        assertThat(told.body()).contains("\"withdrawn\":1").contains("\"unknown\":2");
        assertThat(http().post(tenant.apiKey(), "/api/v1/unsubscribes", "{\"emails\": []}")
                        .statusCode())
                .isEqualTo(422);
        Http owner = http().signIn(tenant.email());
        owner.form(
                "/subscribers",
                "/subscribers/unsubscribes",
                "unsubscribed",
                "Email,Name,When\n\"bo@reed.example\",Bo,3 May\nada@reed.example;Ada;4 May\n");
        assertThat(owner.get("/subscribers").body()).contains("1 subscriber unsubscribed. 1 address had not agreed");
        assertThat(in(
                        tenant,
                        () -> jdbc.sql(
                                        "select contact || ' ' || coalesce(withdrawn_how, '-') from consent_record order by 1")
                                .query(String.class)
                                .list()))
                .containsExactly("ada@reed.example sender", "bo@reed.example sender", "cy@reed.example -");
        owner.form("/subscribers", "/subscribers/unsubscribes", "unsubscribed", "nothing here");
        assertThat(owner.get("/subscribers").body()).contains("There was no e-mail address in it.");
    }

    @Test
    void consent_of_many_subscribers_is_withdrawn_at_once() throws Exception {
        openOptIn();
        press(http(), ask(http(), "ada@reed.example"), "ada@reed.example");
        press(http(), ask(http(), "bo@reed.example"), "bo@reed.example");
        String ada = in(
                tenant,
                () -> jdbc.sql("select id::text from subscriber where email = 'ada@reed.example'")
                        .query(String.class)
                        .single());
        person.form("/subscribers", "/subscribers/withdraw?find=reed", "subscriber", ada);
        assertThat(person.get("/subscribers?find=reed").body())
                .contains("Consent withdrawn for 1 subscriber.", "bo@reed.example")
                .doesNotContain("ada@reed.example");
        assertThat(person.get("/subscribers?state=withdrawn").body())
                .contains("ada@reed.example")
                .doesNotContain("value=\"" + ada);
        Http stranger = http().signIn(tenant("Somebody Else").email());
        stranger.form("/subscribers", "/subscribers/withdraw", "subscriber", ada);
        assertThat(stranger.get("/subscribers").body()).contains("Select the subscribers first.");
    }

    @Test
    void a_placeholder_that_browsers_send_unescaped_is_understood_too() throws Exception {
        openOptIn();
        for (String raw : java.util.List.of("{{email}}", "%%emailaddr%%", "[[email]]", "*|EMAIL|*")) {
            try (java.net.Socket socket = new java.net.Socket("127.0.0.1", port)) {
                socket.getOutputStream()
                        .write("GET /%s?reader=%s HTTP/1.1\r\nHost: %s\r\nUser-Agent: %s\r\nConnection: close\r\n\r\n"
                                .formatted(slug, raw, tenant.host(), Http.BROWSER)
                                .getBytes(StandardCharsets.ISO_8859_1));
                String answer = new String(socket.getInputStream().readAllBytes(), StandardCharsets.ISO_8859_1);
                assertThat(answer).as(raw).startsWith("HTTP/1.1 302").contains("/t/opt-in/" + link + "?reader=");
                String next = answer.replaceFirst("(?s)^.*Location: (\\S+).*$", "$1");
                assertThat(http().send(http().request(next).header("Host", tenant.host()))
                                .body())
                        .contains("Nobody was subscribed");
            }
        }
    }

    @Test
    void robots_previews_and_scanners_never_subscribe() {
        openOptIn();
        for (String agent :
                java.util.List.of("WhatsApp/2.24.20", "Mozilla/5.0 (compatible; Googlebot/2.1)", "curl/8.5.0")) {
            HttpResponse<String> asked = ask(http(), "ada@reed.example", "User-Agent", agent);
            assertThat(asked.body()).as(agent).doesNotContain("data-goes-by-itself=\"yes\"");
            HttpResponse<String> pressed = http().send(java.net.http.HttpRequest.newBuilder(
                            java.net.URI.create("http://127.0.0.1:" + port + "/t/opt-in/" + link))
                    .header("Host", tenant.host())
                    .header("User-Agent", agent)
                    .header("Content-Type", "application/x-www-form-urlencoded")
                    .POST(java.net.http.HttpRequest.BodyPublishers.ofString("reader=ada@reed.example")));
            assertThat(pressed.statusCode()).as(agent).isEqualTo(422);
        }
        assertThat(ask(http(), "ada@reed.example", "Sec-Purpose", "prefetch").body())
                .doesNotContain("data-goes-by-itself=\"yes\"");
        assertThat(subscribers()).isZero();
    }

    @Test
    void a_business_can_require_a_press_and_another_page_onward() {
        openOptIn("asksFirst", "yes", "onward", "petrel.example/welcome?a=1");
        Http bo = http();
        HttpResponse<String> asked = ask(bo, "bo@reed.example");
        assertThat(asked.body()).contains("Yes, subscribe me").doesNotContain("data-goes-by-itself=\"yes\"");
        HttpResponse<String> refused = press(bo, asked, "bo@reed");
        assertThat(refused.statusCode()).isEqualTo(422);
        assertThat(refused.body()).contains("This is not an e-mail address.", "value=\"bo@reed\"");
        assertThat(onward(press(bo, asked, "bo@reed.example")))
                .startsWith("https://petrel.example/welcome?a=1&utm_source=letter&");
        assertThat(subscribers()).isOne();
        person.form(page, page + "/opt-in", "promise", "x");
        await(
                "it is closed",
                () -> arrive(http(), "cy@reed.example")
                        .headers()
                        .firstValue("Location")
                        .orElseThrow()
                        .startsWith("https://petrel.example/thanks"));
        assertThat(press(bo, asked, "cy@reed.example").statusCode()).isEqualTo(404);
    }

    @Test
    void a_test_subscription_is_seen_in_its_proof_and_counted_nowhere() {
        openOptIn();
        String proof = person.form("/links", "/proofs", "link", link.toString())
                .headers()
                .firstValue("Location")
                .orElseThrow()
                .replaceFirst("^.*(/proofs/.*)$", "$1");
        String token = in(
                tenant,
                () -> jdbc.sql("select token from proof").query(String.class).single());
        Http phone = http();
        phone.send(phone.request("/t/proofs/" + token).header("Host", tenant.host()));
        press(phone, ask(phone, "ada@reed.example"), "ada@reed.example");
        assertThat(person.get(proof + "/checklist").body()).contains("A test subscription came", "ada@reed.example");
        assertThat(subscribers()).isZero();
        assertThat(new String(person.bytes(person.request(page + "/subscribers.csv")), StandardCharsets.UTF_8))
                .doesNotContain("ada@");
        press(http(), ask(http(), "ada@reed.example"), "ada@reed.example");
        assertThat(subscribers()).as("the test did not use her up").isOne();
    }

    @Test
    void markup_holds_the_senders_own_words_letter_for_letter() {
        openOptIn();
        person.form(page, page + "/senders", "name", "Our letter", "placeholder", "{{contact[\"email\"]}}");
        String address = "http://" + tenant.host() + ":" + port + "/" + slug;
        assertThat(person.get(page).body())
                .contains("&lt;a href=&#39;" + address
                        + "?reader={{contact[&quot;email&quot;]}}&#39;&gt;Letter · Spring&lt;/a&gt;");
        assertThat(person.form(page, page + "/senders", "name", "", "placeholder", "\"'")
                        .body())
                .contains("Name the sender", "both kinds of quotation marks");
        assertThat(person.get(page + "?reader=ada%2Bx@reed.example").body()).contains("?reader=ada%2Bx%40reed.example");
        assertThat(person.get(page + "?reader=nonsense").body()).contains("This is not an e-mail address.");
        UUID sender = in(
                tenant,
                () -> jdbc.sql("select id from sender").query(UUID.class).single());
        person.form(page, page + "/senders/" + sender + "/remove");
        assertThat(person.get(page).body()).contains("until then readers type it themselves");
    }

    @Test
    void what_cannot_be_kept_says_why() {
        HttpResponse<String> refused =
                person.form(page, page + "/opt-in", "open", "yes", "promise", "", "onward", "javascript:x");
        assertThat(refused.statusCode()).isEqualTo(422);
        assertThat(refused.body()).contains("they must be told", "Only http and https");
        assertThat(count(tenant, "select count(*) from opt_in")).isZero();
        assertThat(http().send(http().request("/t/opt-in/" + UUID.randomUUID()).header("Host", tenant.host()))
                        .statusCode())
                .isEqualTo(404);
        assertThat(http().signIn(tenant("Curious Couriers").email()).get(page).statusCode())
                .isEqualTo(404);
    }
}
