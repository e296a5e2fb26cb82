package wendo.app.visit.disclosure;

import static org.assertj.core.api.Assertions.assertThat;

import com.sun.net.httpserver.HttpServer;
import java.io.IOException;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.util.Map;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import wendo.app.Http;
import wendo.app.WendoTest;

class DisclosureTest extends WendoTest {
    private static final String PAGE = "/setup/disclosure";

    private HttpServer site;
    private Tenant tenant;
    private Http person;
    private String slug = "";

    @BeforeEach
    void open() throws IOException {
        tenant = tenant("Reed Rowing");
        person = http().signIn(tenant.email());
        site = HttpServer.create(new InetSocketAddress(InetAddress.getLoopbackAddress(), 0), 0);
        slug = http().issue(tenant.apiKey(), home() + "cover", "Spring", "Newsletter")
                .get(0);
        in(tenant, () -> jdbc.sql("update link set is_paid = true").update());
        serve(Map.of(
                "/",
                "<a href='/guide'>Guide</a> <a href='/silent?x=1'>Silent</a> <a href='/none'>None</a>",
                "/cover",
                "<p>Nothing that earns</p> <a href='/'>Home</a> <a href='https://elsewhere.example/'>Away</a>",
                "/guide",
                "<p>Wir verdienen mit.</p><a rel='sponsored' href='" + link() + "'>Cover</a>",
                "/silent",
                "<a href='" + link() + "'>Cover</a><a href='" + link() + "?again'>Again</a>"));
    }

    @AfterEach
    void close() {
        site.stop(0);
    }

    private String home() {
        return "http://localhost:%d/".formatted(site.getAddress().getPort());
    }

    private String link() {
        return "http://%s:%d/%s".formatted(tenant.host(), port, slug);
    }

    private void serve(Map<String, String> pages) {
        site.createContext("/", exchange -> {
            String page = pages.get(exchange.getRequestURI().getPath());
            byte[] body = (page == null ? "" : page).getBytes(StandardCharsets.UTF_8);
            exchange.getResponseHeaders().set("Content-Type", "text/html");
            exchange.sendResponseHeaders(page == null ? 404 : 200, body.length == 0 ? -1 : body.length);
            exchange.getResponseBody().write(body);
            exchange.close();
        });
        site.start();
    }

    private HttpResponse<String> say(String version, String place, String german) {
        return person.form(PAGE, PAGE, "version", version, "place", place, "de", german);
    }

    private String told(String site, String language) {
        return http().get("/t/disclosure?site=" + site + "&language=" + language)
                .body();
    }

    @Test
    void the_tag_is_told_where_in_which_words_and_beside_which_links() {
        assertThat(told(tenant.siteKey(), "de"))
                .isEqualTo("{\"place\":\"off\",\"language\":\"\",\"text\":\"\",\"links\":[]}");
        assertThat(say("0", "each", "Anzeige, wir verdienen mit").statusCode()).isEqualTo(302);
        String address = "%s:%d/%s".formatted(tenant.host(), port, slug);
        assertThat(told(tenant.siteKey(), "de-AT"))
                .isEqualTo(
                        "{\"place\":\"each\",\"language\":\"de\",\"text\":\"Anzeige, wir verdienen mit\",\"links\":[\"%s\"]}"
                                .formatted(address));
        assertThat(told(tenant.siteKey(), "nl")).contains("Advertentie: wij ontvangen");
        assertThat(told(tenant.siteKey(), "xx"))
                .as("in the business's own language")
                .contains("Advertising: we earn");
        HttpResponse<String> stranger = http().get("/t/disclosure?site=nobody");
        assertThat(stranger.statusCode()).isEqualTo(404);
        HttpResponse<String> answer = http().get("/t/disclosure?site=" + tenant.siteKey());
        assertThat(answer.headers().firstValue("Cache-Control")).hasValue("max-age=600, public");
        Tenant other = tenant("Osprey Outings");
        http().signIn(other.email()).form(PAGE, PAGE, "version", "0", "place", "first");
        assertThat(told(other.siteKey(), "en")).as("nothing of anybody else's").contains("\"links\":[]");
    }

    @Test
    void what_cannot_be_is_refused_and_nobody_overwrites_what_another_set() {
        assertThat(say("0", "above", "").statusCode()).isEqualTo(422);
        assertThat(say("0", "first", "x".repeat(5000)).body()).contains("It may have");
        say("0", "first", "Anzeige");
        HttpResponse<String> late = say("0", "each", "Werbung");
        assertThat(late.statusCode()).isEqualTo(409);
        assertThat(late.body()).contains("Anzeige", "Werbung");
    }

    @Test
    void own_pages_are_read_and_those_that_say_nothing_come_first() {
        say("0", "off", "Wir verdienen mit.");
        person.form(PAGE, PAGE + "/check");
        await(
                "they were read",
                () -> !person.get(PAGE).body().contains("Reading your pages")
                        && person.get(PAGE).body().contains("pages read"));
        String page = person.get(PAGE).body();
        assertThat(page)
                .contains("1 page has links that earn and says nothing")
                .containsSubsequence("/silent", "Says nothing", ">2<", ">2<", "/guide", "By the page", ">1<", ">0<")
                .doesNotContain("/cover<");
        assertThat(count(tenant, "select pages from disclosure_run")).isEqualTo(4);
        assertThat(count(tenant, "select unreadable from disclosure_run"))
                .as("one that is missing, and the first pages of the sites, which are not there")
                .isEqualTo(3);
        person.form(PAGE, PAGE + "/check");
        assertThat(person.get(PAGE).body()).contains("Your pages were checked a moment ago");
    }
}
