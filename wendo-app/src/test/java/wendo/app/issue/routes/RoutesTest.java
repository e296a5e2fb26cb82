package wendo.app.issue.routes;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.http.HttpResponse;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import wendo.app.Http;
import wendo.app.WendoTest;

/** Where links lead: re-pointed, by rules, and split. */
class RoutesTest extends WendoTest {
    private static final String PHONE =
            "Mozilla/5.0 (Linux; Android 10; K) AppleWebKit/537.36 (KHTML, like Gecko) Chrome/150.0.0.0 Mobile Safari/537.36";

    private Tenant tenant;
    private Http person;
    private String slug;
    private String page;

    @BeforeEach
    void open() {
        tenant = tenant("Turnstone Tours");
        person = http().signIn(tenant.email());
        slug = http().issue(tenant.apiKey(), "https://tours.example/home", "Spring", "Sign")
                .get(0);
        UUID link = in(
                tenant, () -> jdbc.sql("select id from link").query(UUID.class).single());
        page = "/links/" + link + "/leads";
    }

    private String version() {
        return person.get(page).body().replaceFirst("(?s).*name=\"version\" value=\"(\\d+)\".*", "$1");
    }

    private HttpResponse<String> rule(String... fields) {
        return person.form(page, page + "/rules", fields);
    }

    private String led(String... headers) {
        List<String> all = new ArrayList<>(List.of("Host", tenant.host()));
        all.addAll(List.of(headers));
        var request = java.net.http.HttpRequest.newBuilder(java.net.URI.create("http://127.0.0.1:" + port + "/" + slug))
                .headers(all.toArray(String[]::new));
        if (!all.contains("User-Agent")) {
            request.header("User-Agent", Http.BROWSER);
        }
        return http().send(request)
                .headers()
                .firstValue("Location")
                .orElseThrow()
                .replaceFirst("\\?.*$", "");
    }

    private void awaitLed(String address, String... headers) {
        await("it leads to " + address, () -> led(headers).equals(address));
    }

    @Test
    void a_link_is_led_elsewhere_with_its_tags_and_keeps_its_history() {
        person.form(page, page, "address", "tours.example/summer#book", "reason", "Spring is over");
        await(
                "the link leads there",
                () -> http().visit(tenant.host(), slug)
                        .headers()
                        .firstValue("Location")
                        .orElseThrow()
                        .startsWith(
                                "https://tours.example/summer?utm_source=sign&utm_medium=print&utm_campaign=spring&wcl="));
        assertThat(person.get(page).body().replaceAll("<[^>]*>", ""))
                .containsSubsequence(
                        "https://tours.example/summer#book",
                        "Now.",
                        "Ola Ness: Spring is over",
                        "https://tours.example/home");
        assertThat(person.form(page, page, "address", "tours.example/summer#book")
                        .statusCode())
                .isEqualTo(302);
        assertThat(count(tenant, "select count(*) from link_destination"))
                .as("nothing changed, nothing noted")
                .isEqualTo(2);
        HttpResponse<String> refused =
                person.form(page, page, "address", "http://" + tenant.host() + "/x", "reason", "r".repeat(301));
        assertThat(refused.statusCode()).isEqualTo(422);
        assertThat(refused.body()).contains("itself one of your links", "this has 301");
    }

    @Test
    void the_first_rule_that_holds_decides_and_rules_can_be_moved_and_removed() {
        rule("device", "phone", "address", "tours.example/phone");
        rule("countries", "Netherlands", "address", "tours.example/nl");
        rule("languages", "Welsh, de", "address", "tours.example/cy");
        awaitLed("https://tours.example/phone", "User-Agent", PHONE);
        awaitLed("https://tours.example/cy", "Accept-Language", "cy-GB,en;q=0.5");
        assertThat(led("Accept-Language", "en,cy;q=0.5")).isEqualTo("https://tours.example/home");
        // 193.0.0.0/21 is registered in the Netherlands (whois, from memory).
        assertThat(led("X-Forwarded-For", "193.0.6.139")).isEqualTo("https://tours.example/nl");
        assertThat(led("X-Forwarded-For", "193.0.6.139", "User-Agent", PHONE)).isEqualTo("https://tours.example/phone");
        String old = version();
        person.form(page, page + "/rules/1", "what", "up", "version", old);
        awaitLed("https://tours.example/nl", "X-Forwarded-For", "193.0.6.139", "User-Agent", PHONE);
        assertThat(person.get(page).body())
                .containsSubsequence("1. In Netherlands", "2. On phones", "3. Whose browser asks for German or Welsh");
        assertThat(person.get(page).body()).contains("Try it out", "Phones in any other country asking for");
        HttpResponse<String> late = person.form(page, page + "/rules/0", "what", "remove", "version", old);
        assertThat(late.statusCode()).isEqualTo(409);
        assertThat(late.body()).contains("Somebody else changed this while you were typing.");
        assertThat(count(tenant, "select count(*) from link_branch"))
                .as("the page was an old one")
                .isEqualTo(3);
        person.form(page, page + "/rules/0", "what", "remove", "version", version());
        awaitLed("https://tours.example/phone", "X-Forwarded-For", "193.0.6.139", "User-Agent", PHONE);
        assertThat(count(tenant, "select count(distinct destination_id) from visit"))
                .isGreaterThan(2);
    }

    @Test
    void hours_and_days_are_the_business_own() {
        rule(
                "from",
                "00:00",
                "until",
                "23:59",
                "firstDay",
                "2020-01-01",
                "lastDay",
                "2020-01-02",
                "address",
                "tours.example/past");
        rule(
                "weekday",
                "monday",
                "weekday",
                "tuesday",
                "weekday",
                "wednesday",
                "weekday",
                "thursday",
                "weekday",
                "friday",
                "weekday",
                "saturday",
                "weekday",
                "sunday",
                "address",
                "tours.example/always");
        awaitLed("https://tours.example/always");
        assertThat(person.get(page + "?at=2020-01-01T12:00").body())
                .contains("https://tours.example/past", "by rule 1");
        assertThat(person.get(page + "?at=2020-01-01T23:59").body())
                .contains("by rule 2")
                .doesNotContain("by rule 1");
        assertThat(person.get(page + "?at=nonsense").statusCode()).isEqualTo(200);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "countries | Narnia | No country is called",
                "languages | Klingonish | No language is called",
                "from | 09:00 | Enter both times, or neither.",
                "firstDay | soon | This is not a day.",
                "nothing | x | A rule needs at least one condition",
            })
    void a_rule_that_makes_no_sense_says_why_and_keeps_what_was_typed(String field, String value, String expected) {
        HttpResponse<String> answer = rule(field, value, "address", "tours.example/typed");
        assertThat(answer.statusCode()).isEqualTo(422);
        assertThat(answer.body()).contains(expected, "value=\"tours.example/typed\"");
        assertThat(count(tenant, "select count(*) from link_branch")).isZero();
    }

    @Test
    void a_split_keeps_each_person_on_their_way_and_follows_pages_that_move() {
        HttpResponse<String> refused =
                person.form(page, page + "/split", "address0", "tours.example/b", "percent0", "100");
        assertThat(refused.statusCode()).isEqualTo(422);
        assertThat(refused.body()).contains("Enter 1 to 99");
        assertThat(person.form(
                                page,
                                page + "/split",
                                "address0",
                                "tours.example/b",
                                "percent0",
                                "60",
                                "address1",
                                "tours.example/c",
                                "percent1",
                                "40")
                        .body())
                .contains("take 100 of a hundred people");
        person.form(page, page + "/split", "address0", "tours.example/b", "percent0", "50");
        await("the split is known", () -> led().equals("https://tours.example/b"));
        for (int i = 0; i < 8; i++) {
            Http one = http();
            String first = one.visit(tenant.host(), slug)
                    .headers()
                    .firstValue("Location")
                    .orElseThrow()
                    .replaceFirst("wcl=.*", "");
            assertThat(one.visit(tenant.host(), slug)
                            .headers()
                            .firstValue("Location")
                            .orElseThrow())
                    .startsWith(first);
        }
        UUID b = in(
                tenant,
                () -> jdbc.sql("select id from destination where address like '%/b'")
                        .query(UUID.class)
                        .single());
        person.form("/setup/destinations/" + b, "/setup/destinations/" + b + "/move", "address", "tours.example/moved");
        awaitLed("https://tours.example/moved");
        person.form(page, page + "/split", "address0", "", "address1", "");
        await("the split has ended", () -> count(tenant, "select count(*) from link_branch") == 0);
        assertThat(person.get(page).body()).contains("can be led to one or two other pages");
    }
}
