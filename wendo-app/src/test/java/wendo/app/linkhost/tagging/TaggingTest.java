package wendo.app.linkhost.tagging;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.net.URLEncoder;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.function.Predicate;
import org.jsoup.Jsoup;
import org.jsoup.nodes.Document;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import wendo.app.Http;
import wendo.app.WendoTest;
import wendo.app.audience.visitortags.TagDirectory;
import wendo.app.audience.visitortags.TagsOfLink;
import wendo.app.issue.links.LinkDirectory;
import wendo.core.audience.TagConsent;
import wendo.standins.AdDesk;

/** Links with visitor tags, asked as browsers ask them, against a simulated ad desk. */
class TaggingTest extends WendoTest {
    private static final String PAGE = "https://plover.example/offer";

    /** For each record, signal and asker: what is done with a tag that needs none, measurement, advertising. */
    private static final String TABLE = """
            here  nothing quiet  TAG ASK ASK
            here  yes     quiet  TAG TAG TAG
            here  no      quiet  TAG - -
            here  nothing signal - - -
            here  yes     signal - - -
            here  no      signal - - -
            there nothing quiet  TAG - -
            there yes     quiet  TAG - -
            there no      quiet  TAG - -
            there nothing signal - - -
            there yes     signal - - -
            there no      signal - - -
            """;

    private static final Map<String, String> ANSWERS = Map.of("nothing", "", "yes", "m1a1", "no", "m0a0");

    @Autowired
    private TagDirectory directory;

    @Autowired
    private LinkDirectory hosts;

    private Tenant tenant;
    private Http owner;
    private AdDesk desk;
    private String slug;

    @BeforeEach
    void open() throws IOException {
        tenant = tenant("Plover Paddles");
        owner = http().signIn(tenant.email());
        desk = AdDesk.start(0, "between-us");
        slug = http().issue(tenant.apiKey(), PAGE, "Spring", "Postcards").get(0);
    }

    @AfterEach
    void close() {
        desk.close();
    }

    private String tag(String name, String kind, String purpose) {
        String address = switch (kind) {
            case "image" -> "/tag/" + name.replace(' ', '-') + ".gif";
            case "script" -> "/tag.js";
            default -> "/tag/" + name;
        };
        HttpResponse<String> made = owner.form(
                "/audiences/tags/new",
                "/audiences/tags",
                "name",
                name,
                "kind",
                kind,
                "address",
                "http://localhost:" + desk.port() + address,
                "identifier",
                name,
                "purpose",
                purpose,
                "on",
                "yes");
        assertThat(made.statusCode()).as(made.body()).isEqualTo(302);
        return made.headers().firstValue("Location").orElseThrow().replaceFirst("^.*/", "");
    }

    private void everywhere(String tag) {
        String page = "/audiences/tags/" + tag;
        owner.form(page, page + "/uses", "all." + tenant.id().value(), "on");
    }

    /** Link hosts hear of changes within a second. Looking costs no visit. */
    private void known(String what, Predicate<TagsOfLink> isSo) {
        await("link hosts know: " + what, () -> tags().filter(isSo).isPresent());
    }

    private Optional<TagsOfLink> tags() {
        return hosts.findHost(tenant.host())
                .flatMap(host -> host.find(slug))
                .flatMap(link -> directory.find(link.business(), link.link(), link.campaign(), link.brand()));
    }

    private void unknown() {
        await("link hosts know of none", () -> tags().isEmpty());
    }

    private HttpResponse<String> visit(String... headers) {
        HttpRequest.Builder request =
                new Http(port).request("/" + slug).header("Host", tenant.host()).header("Accept-Language", "en");
        for (int i = 0; i < headers.length; i += 2) {
            request.setHeader(headers[i], headers[i + 1]);
        }
        return new Http(port).send(request);
    }

    private static JsonNode plan(HttpResponse<String> page) {
        assertThat(page.statusCode()).as(page.body()).isEqualTo(200);
        return JsonMapper.shared()
                .readTree(Jsoup.parse(page.body()).select("main").attr("data-plan"));
    }

    private HttpResponse<String> answer(JsonNode plan, String said, String... headers) {
        HttpRequest.Builder request = new Http(port)
                .request("/t/consent")
                .header("Host", tenant.host())
                .header("Content-Type", "application/x-www-form-urlencoded")
                .POST(HttpRequest.BodyPublishers.ofString("a=" + said + "&t="
                        + URLEncoder.encode(plan.path("token").asString(""), StandardCharsets.UTF_8)));
        return new Http(port).send(headers.length == 0 ? request : request.headers(headers));
    }

    private Map<String, Long> counted() {
        return in(tenant, () -> {
            Map<String, Long> counts = new TreeMap<>();
            jdbc.sql("select result, sum(number) from visitor_tag_count group by 1")
                    .query(row -> {
                        counts.put(row.getString(1), row.getLong(2));
                    });
            return counts;
        });
    }

    private String cookieName() {
        return BrandAnswer.cookie(tenant.id().value());
    }

    @Test
    void a_link_without_tags_shows_no_page_and_one_with_tags_does_as_the_whole_table_says() {
        assertThat(visit().statusCode()).isEqualTo(302);
        List<String> purposes = List.of("none", "measurement", "advertising");
        Map<String, String> names = new HashMap<>();
        for (String purpose : purposes) {
            String id = tag("Desk " + purpose, "image", purpose);
            names.put(id, purpose);
            everywhere(id);
        }
        known("three tags", tags -> tags.tags().size() == 3);
        for (String asker : List.of("here", "there")) {
            owner.form(
                    "/audiences/tags", "/audiences/tags/asks", "asks", asker.equals("here") ? "here" : "destination");
            known(asker, tags -> (tags.asker() == TagConsent.Asker.LINK_DOMAIN) == asker.equals("here"));
            TABLE.lines()
                    .map(line -> line.strip().split(" +"))
                    .filter(line -> line[0].equals(asker))
                    .forEach(line -> {
                        List<String> headers =
                                new ArrayList<>(List.of("Cookie", cookieName() + "=" + ANSWERS.get(line[1])));
                        if (line[2].equals("signal")) {
                            headers.addAll(List.of("Sec-GPC", "1"));
                        }
                        assertThat(decided(visit(headers.toArray(String[]::new)), names))
                                .as(String.join(" ", line))
                                .isEqualTo(List.of(line[3], line[4], line[5]));
                    });
        }
    }

    private static List<String> decided(HttpResponse<String> page, Map<String, String> names) {
        Map<String, String> decided = new HashMap<>();
        if (page.statusCode() == 200) {
            plan(page)
                    .path("fires")
                    .forEach(tag -> decided.put(names.get(tag.path("id").asString("")), "TAG"));
            plan(page)
                    .path("asks")
                    .forEach(tag -> decided.put(names.get(tag.path("id").asString("")), "ASK"));
        } else {
            assertThat(page.statusCode()).isEqualTo(302);
        }
        return List.of(
                decided.getOrDefault("none", "-"),
                decided.getOrDefault("measurement", "-"),
                decided.getOrDefault("advertising", "-"));
    }

    private String oneAsking() {
        String id = tag("Gannet Ads", "image", "advertising");
        everywhere(id);
        known("a tag", tags -> true);
        return id;
    }

    @Test
    void an_answer_is_on_record_with_its_words_and_remembered_and_counted() {
        oneAsking();
        HttpResponse<String> asked = visit();
        Document page = Jsoup.parse(asked.body());
        assertThat(page.select("h1").text()).isEqualTo("May Plover Paddles show you ads through Gannet Ads?");
        assertThat(page.select("form button").eachText()).containsExactly("Yes", "No");
        assertThat(asked.body().getBytes(StandardCharsets.UTF_8)).hasSizeLessThan(15_000);
        assertThat(plan(asked).path("to").asString("")).startsWith(PAGE + "?utm_source=postcards");
        assertThat(plan(asked).path("waits").asInt(0)).isEqualTo(2000);

        HttpResponse<String> told = answer(plan(asked), "yes", "X-Wendo", "1");
        assertThat(told.statusCode()).isEqualTo(204);
        assertThat(answer(plan(asked), "yes", "X-Wendo", "1").statusCode())
                .as("pressed twice")
                .isEqualTo(204);
        assertThat(told.headers().firstValue("Set-Cookie").orElseThrow())
                .startsWith(cookieName() + "=a1;")
                .contains("HttpOnly", "SameSite=Lax", "Max-Age=15552000");
        assertThat(in(
                        tenant,
                        () -> jdbc.sql(
                                        "select answer || '|' || purposes || '|' || language || '|' || words || '|' || page from visitor_consent")
                                .query(String.class)
                                .list()))
                .containsExactly("yes|advertising|en|" + page.select("h1").text()
                        + " Gannet Ads would learn that this browser followed this link. The page opens either way."
                        + "|http://" + tenant.host() + "/t/consent");

        JsonNode again = plan(visit("Cookie", cookieName() + "=a1"));
        assertThat(again.path("asks").size()).isZero();
        assertThat(again.path("fires").get(0).path("src").asString(""))
                .isEqualTo("http://localhost:" + desk.port() + "/tag/Gannet-Ads.gif");
        answer(plan(visit()), "no", "X-Wendo", "1");
        answer(plan(visit()), "none", "X-Wendo", "1");
        assertThat(answer(plan(visit()), "yes", "X-Wendo", "1", "Sec-GPC", "1")
                        .headers()
                        .firstValue("Set-Cookie")
                        .orElseThrow())
                .as("a browser that asks for privacy says no")
                .startsWith(cookieName() + "=a0;");
        assertThat(visit("Cookie", cookieName() + "=a0").statusCode()).isEqualTo(302);
        await(
                "all is counted",
                () -> counted()
                        .equals(Map.of(
                                "asked",
                                4L,
                                "agreed",
                                1L,
                                "tagged",
                                2L,
                                "declined",
                                2L,
                                "unanswered",
                                1L,
                                "remembered",
                                1L)));
        String list = owner.get("/audiences/tags").body();
        assertThat(Jsoup.parse(list).select("tbody tr td").eachText()).containsSequence("Advertising", "2", "4", "0");
        assertThat(owner.get("/audiences/tags/answers.csv").body())
                .contains("Gannet Ads")
                .contains(",yes,");
    }

    @Test
    void without_script_the_answer_is_a_page_that_tags_and_goes_on() {
        oneAsking();
        HttpResponse<String> asked = visit("Accept-Language", "de-AT");
        assertThat(Jsoup.parse(asked.body()).select("form button").eachText()).containsExactly("Ja", "Nein");
        HttpResponse<String> yes = answer(plan(asked), "yes");
        Document page = Jsoup.parse(yes.body());
        assertThat(page.select("img[data-tag]").attr("src")).endsWith("/tag/Gannet-Ads.gif");
        assertThat(yes.headers().firstValue("Content-Security-Policy").orElseThrow())
                .contains("img-src 'self' http://localhost:" + desk.port() + ";");
        assertThat(page.select("noscript").html()).contains("1;url=" + PAGE);
        Document no = Jsoup.parse(answer(plan(visit()), "no").body());
        assertThat(no.select("img[data-tag]")).isEmpty();
        assertThat(no.select("p.on a").attr("href")).startsWith(PAGE);
    }

    @Test
    void nobody_answers_for_others_or_leads_them_elsewhere() {
        oneAsking();
        String token = plan(visit()).path("token").asString("");
        assertThat(answer(JsonMapper.shared().createObjectNode().put("token", token.substring(1)), "yes")
                        .statusCode())
                .isEqualTo(400);
        Tenant other = tenant("Other Oars");
        HttpResponse<String> there = new Http(port)
                .send(new Http(port)
                        .request("/t/consent")
                        .header("Host", other.host())
                        .header("Content-Type", "application/x-www-form-urlencoded")
                        .POST(HttpRequest.BodyPublishers.ofString("a=yes&t=" + token)));
        assertThat(there.statusCode()).as("on another business's domain").isEqualTo(400);
        assertThat(count(tenant, "select count(*) from visitor_consent")).isZero();
    }

    @Test
    void robots_previews_and_proofs_are_never_tagged() {
        oneAsking();
        assertThat(visit("User-Agent", "Googlebot/2.1 (+http://www.google.com/bot.html)")
                        .statusCode())
                .isEqualTo(302);
        assertThat(visit("Sec-Purpose", "prefetch").statusCode()).isEqualTo(302);
        assertThat(visit("Cookie", "wendo_proof=0123456789abcdef0123456789abcdef")
                        .statusCode())
                .isEqualTo(302);
        HttpRequest.Builder head = http().request("/" + slug).header("Host", tenant.host());
        assertThat(http().send(head.method("HEAD", HttpRequest.BodyPublishers.noBody()))
                        .statusCode())
                .isEqualTo(302);
        visit();
        await("all are stored", () -> count(tenant, "select count(*) from visit") == 4);
        await("only who was asked is counted", () -> counted().equals(Map.of("asked", 1L)));
    }

    @Test
    void a_script_is_shut_up_on_a_page_of_its_own() {
        String id = tag("Gannet Ads", "script", "none");
        everywhere(id);
        known("a script", tags -> true);
        JsonNode fired = plan(visit()).path("fires").get(0);
        assertThat(fired.path("frame").asBoolean(false)).isTrue();
        HttpResponse<String> frame = new Http(port)
                .send(new Http(port).request(fired.path("src").asString("")).header("Host", tenant.host()));
        assertThat(frame.headers().firstValue("Content-Security-Policy").orElseThrow())
                .startsWith(
                        "sandbox allow-scripts; default-src 'none'; script-src 'self' http://localhost:" + desk.port())
                .doesNotContain("allow-same-origin");
        assertThat(Jsoup.parse(frame.body()).select("script").eachAttr("src"))
                .containsExactly("/t/tag-frame.js", "http://localhost:" + desk.port() + "/tag.js?id=Gannet%20Ads");
        assertThat(new Http(port)
                        .send(new Http(port).request("/t/tags/" + id + "?wcl=x").header("Host", tenant.host()))
                        .statusCode())
                .isEqualTo(404);
    }

    @Test
    void a_desk_is_called_once_for_each_visit_and_given_up_in_the_end() {
        String id = tag("Gannet", "server", "none");
        everywhere(id);
        known("a server call", tags -> true);
        assertThat(visit().statusCode())
                .as("no page: the browser has no part in it")
                .isEqualTo(302);
        await("the desk heard of it", () -> desk.tagged("Gannet") == 1);
        await("nothing waits", () -> count(tenant, "select count(*) from visitor_tag_call") == 0);
        assertThat(counted()).isEqualTo(Map.of("tagged", 1L));
        assertThat(owner.form("/audiences/tags/" + id, "/audiences/tags/" + id + "/test")
                        .statusCode())
                .isEqualTo(302);
        assertThat(owner.get("/audiences/tags/" + id).body()).contains("The ad desk answered with status 204");
        desk.close();
        assertThat(visit().statusCode()).as("a desk that is down keeps nobody").isEqualTo(302);
        for (int tries = 1; tries <= 4; tries++) {
            int made = tries;
            await(
                    "it was tried",
                    () -> count(tenant, "select count(*) from visitor_tag_call where tries = " + made) == 1);
            in(
                    tenant,
                    () -> jdbc.sql("update visitor_tag_call set next_at = now()")
                            .update());
        }
        await("it is given up", () -> counted().equals(Map.of("tagged", 2L, "failed", 1L)));
        owner.form("/audiences/tags/" + id, "/audiences/tags/" + id + "/test");
        assertThat(owner.get("/audiences/tags/" + id).body()).contains("The ad desk did not answer.");
    }

    private HttpResponse<String> banner(String click, String agreed, String... headers) {
        HttpRequest.Builder request = new Http(port)
                .request("/t/tag-consents")
                .header("Content-Type", "text/plain")
                .POST(HttpRequest.BodyPublishers.ofString(
                        "{\"site\": \"%s\", \"clickId\": \"%s\", \"agreed\": \"%s\", \"words\": \"May we?\"}"
                                .formatted(tenant.siteKey(), click, agreed)));
        return new Http(port).send(headers.length == 0 ? request : request.headers(headers));
    }

    private String click(HttpResponse<String> visit) {
        String click = visit.headers().firstValue("Location").orElseThrow().replaceFirst("^.*wcl=", "");
        await(
                "the visit is stored",
                () -> in(
                                tenant,
                                () -> jdbc.sql("select count(*) from visit where kind = 'person'")
                                        .query(Long.class)
                                        .single())
                        > 0);
        return click;
    }

    @Test
    void where_the_destinations_banner_asks_nothing_is_tagged_before_and_once_after() {
        everywhere(tag("Gannet Ads", "image", "advertising"));
        everywhere(tag("Gannet Counts", "script", "measurement"));
        owner.form("/audiences/tags", "/audiences/tags/asks", "asks", "destination");
        known(
                "the banner asks",
                tags -> tags.asker() == TagConsent.Asker.DESTINATION
                        && tags.tags().size() == 2);
        String click = click(visit());
        assertThat(banner(click, "advertising measurement", "Sec-GPC", "1").body())
                .isEqualTo("[]");
        JsonNode uses =
                JsonMapper.shared().readTree(banner(click, "advertising").body());
        assertThat(uses.size()).isEqualTo(1);
        assertThat(uses.get(0).path("src").asString("")).endsWith("/tag/Gannet-Ads.gif");
        assertThat(banner(click, "advertising").body())
                .as("told again on the next page")
                .isEqualTo("[]");
        assertThat(banner("00000000000000000000000000", "advertising").body()).isEqualTo("[]");
        await(
                "it is counted",
                () -> counted()
                        .entrySet()
                        .containsAll(Map.of("agreed", 1L, "declined", 1L, "tagged", 1L)
                                .entrySet()));
        assertThat(in(
                                tenant,
                                () -> jdbc.sql("select answer || ' ' || purposes || ' ' || words from visitor_consent")
                                        .query(String.class)
                                        .list())
                        .stream()
                        .sorted(Comparator.naturalOrder()))
                .containsExactly("no measurement May we?", "yes advertising May we?");
    }

    @Test
    void a_link_says_for_itself_and_a_tag_that_is_switched_off_is_nowhere() {
        String id = oneAsking();
        String link = in(
                tenant,
                () -> jdbc.sql("select id::text from link").query(String.class).single());
        String page = "/links/" + link + "/tags";
        owner.form(page, page, "tag." + id, "off");
        unknown();
        assertThat(visit().statusCode()).isEqualTo(302);
        owner.form(page, page, "tag." + id, "");
        known("as everywhere", tags -> true);
        owner.form("/audiences/tags/" + id, "/audiences/tags/" + id + "/remove");
        unknown();
    }

    @Test
    void a_brand_asks_in_its_own_name_on_its_own_domain() {
        oneAsking();
        assertThat(Jsoup.parse(owner.get("/issue").body()).select("[name=brand]"))
                .as("who has no brands chooses none")
                .isEmpty();
        owner.form(
                "/setup/brands",
                "/setup/brands",
                "name",
                "Gull Sails",
                "sites",
                "https://www.gull.example/x",
                "asks",
                "here");
        assertThat(Jsoup.parse(owner.get("/issue").body())
                        .select("[name=brand] option")
                        .eachText())
                .containsExactly("As the site or link domain says", "Gull Sails");
        String brand = in(
                tenant,
                () -> jdbc.sql("select id::text from brand where sites = '{gull.example}'")
                        .query(String.class)
                        .single());
        String host = in(
                tenant,
                () -> jdbc.sql("select id::text from link_host")
                        .query(String.class)
                        .single());
        owner.form("/setup/hosts", "/setup/hosts/" + host + "/brand", "brand", brand);
        known("its brand", tags -> tags.name().equals("Gull Sails"));
        JsonNode plan = plan(visit("Cookie", cookieName() + "=a1"));
        assertThat(plan.path("asks").size())
                .as("the business's answer is not the brand's")
                .isEqualTo(1);
        answer(plan, "no", "X-Wendo", "1");
        assertThat(in(
                        tenant,
                        () -> jdbc.sql("select brand_id::text from visitor_consent")
                                .query(String.class)
                                .list()))
                .containsExactly(brand);
        assertThat(new Http(port)
                        .send(new Http(port).request("/nowhere-at-all").header("Host", tenant.host()))
                        .body())
                .contains("Gull Sails");
        String own = http().issue(tenant.apiKey(), "https://gull.example/kayaks", "Spring", "Signs")
                .get(0);
        assertThat(in(
                        tenant,
                        () -> jdbc.sql("select brand_id::text from link where slug = ?")
                                .param(own)
                                .query(String.class)
                                .single()))
                .as("a link to a brand's site is the brand's")
                .isEqualTo(brand);
        assertThat(owner.form("/setup/brands", "/setup/brands", "name", "gull sails", "sites", "no site!")
                        .body())
                .contains("is no site");
        assertThat(owner.form("/setup/brands", "/setup/brands", "name", "gull sails", "sites", "")
                        .body())
                .contains("Another brand has this name.");
        owner.form("/setup/brands/" + brand, "/setup/brands/" + brand + "/remove");
        known("the business itself again", tags -> tags.name().isEmpty());
        assertThat(visit().body()).contains("May Plover Paddles show");
    }
}
