package wendo.app.desk.finder;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.http.HttpResponse;
import java.util.UUID;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import wendo.app.Http;
import wendo.app.WendoTest;

class FinderTest extends WendoTest {
    private Tenant tenant;
    private Http person;

    @BeforeEach
    void open() {
        tenant = tenant("Sanderling Skiffs");
        person = http().signIn(tenant.email());
        http().post(
                        tenant.apiKey(),
                        "/api/v1/links",
                        "{\"destination\": \"skiffs.example/taster\", \"campaign\": \"Regatta\", \"sources\": [{\"source\": \"Harbour board\", \"channel\": \"place\", \"slug\": \"board\"}, {\"source\": \"Café window\", \"channel\": \"place\", \"slug\": \"window\"}]}");
    }

    private UUID id(String sql) {
        return in(tenant, () -> jdbc.sql(sql).query(UUID.class).single());
    }

    private static String to(HttpResponse<String> answer) {
        return answer.headers().firstValue("Location").orElse("no redirect, but " + answer.statusCode());
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "board",
                "BOARD",
                "{host}/board",
                "HTTP://{HOST}/Board",
                "http://{host}:99/board/?utm_x=1#top",
                "//{host}/board"
            })
    void a_pasted_link_is_opened_at_once_however_it_was_written(String pasted) {
        String typed = pasted.replace("{host}", tenant.host())
                .replace("{HOST}", tenant.host().toUpperCase());
        assertThat(to(person.get(
                        "/find?find=" + java.net.URLEncoder.encode(typed, java.nio.charset.StandardCharsets.UTF_8))))
                .endsWith("/links/" + id("select id from link where slug = 'board'"));
    }

    @Test
    void audiences_mailings_and_lists_are_found_by_who_may_open_them() {
        person.form("/subscribers/lists", "/subscribers/lists", "name", "Harbour letter", "promise", "Monthly");
        String audience = to(person.form(
                        "/audiences/new",
                        "/audiences/new",
                        "name",
                        "Harbour people",
                        "match.r",
                        "all",
                        "kind.r-0",
                        "subscribed"))
                .replaceFirst("^.*/", "");
        String path = "/audiences/" + audience + "/mailings/new";
        String link = id("select id from link where slug = 'board'").toString();
        person.form(
                path,
                path,
                "name",
                "Come again",
                "road",
                "email",
                "link",
                link,
                "subject",
                "Harbour days",
                "body",
                "Hello");
        assertThat(person.get("/find?find=harbour").body())
                .contains(
                        "/audiences/" + audience,
                        "/audiences/mailings/" + id("select id from mailing"),
                        "/subscribers/lists/" + id("select id from newsletter_list"));
        assertThat(http().signIn(tenant("Somebody Else").email())
                        .get("/find?find=harbour")
                        .body())
                .doesNotContain("/audiences/" + audience);
    }

    @Test
    void any_fragment_leads_to_the_thing_itself() {
        UUID link = id("select id from link where slug = 'window'");
        person.form(
                "/links/" + link + "/place",
                "/links/" + link + "/place",
                "place",
                "Beside the till of the bakery",
                "placedOn",
                "2026-05-01");
        http().post(
                        tenant.apiKey(),
                        "/api/v1/outcomes",
                        "{\"kind\": \"booking\", \"reference\": \"B-1042\", \"value\": \"95.00\", \"currency\": \"GBP\"}");
        assertThat(to(person.get("/find?find=bakery"))).as("a placement").endsWith("/links/" + link);
        assertThat(to(person.get("/find?find=b-1042"))).contains("/outcomes/" + id("select id from outcome"));
        assertThat(person.get("/outcomes/" + id("select id from outcome")).body())
                .contains("<code>B-1042</code>");
        assertThat(to(person.get("/find?find=regatta")))
                .as("exact name")
                .endsWith("/setup/campaigns/" + id("select id from campaign"));
        assertThat(to(person.get("/find?find=skiffs.example")))
                .endsWith("/setup/destinations/" + id("select id from destination"));
        assertThat(person.get("/find?find=caf%C3%A9").body())
                .containsSubsequence("link", "Café window · Regatta", "source", "Café window");
        assertThat(person.get("/find/quick?find=harb").body())
                .contains("data-copy=\"http://" + tenant.host() + ":" + port + "/board\"")
                .doesNotContain("<html");
    }

    @Test
    void nothing_and_nonsense_are_answered_in_words() {
        assertThat(person.get("/find").body()).contains("Type part of a name");
        assertThat(person.get("/find?find=%25").body()).contains("Nothing matches");
        assertThat(person.get("/find?find=" + "x".repeat(5000)).body()).contains("Nothing matches");
        assertThat(to(http().signIn(tenant("Curious Kayaks").email()).get("/find?find=board")))
                .contains("200");
    }
}
