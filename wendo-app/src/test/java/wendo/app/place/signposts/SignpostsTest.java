package wendo.app.place.signposts;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.http.HttpResponse;
import java.util.List;
import java.util.UUID;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import wendo.app.Http;
import wendo.app.WendoTest;

class SignpostsTest extends WendoTest {
    private Tenant tenant;
    private Http person;

    @BeforeEach
    void open() {
        tenant = tenant("Gannet Gigs");
        person = http().signIn(tenant.email());
    }

    private String put(String... fields) {
        HttpResponse<String> answer = person.form("/signposts", "/signposts", fields);
        assertThat(answer.statusCode()).as(answer.body()).isEqualTo(302);
        return answer.headers().firstValue("Location").orElseThrow().replaceFirst("^.*(/signposts/.*)$", "$1");
    }

    private HttpResponse<String> look(String path) {
        return http().send(http().request(path).header("Host", tenant.host()));
    }

    private List<String> entries(String page) {
        return java.util.regex.Pattern.compile("class=\"entry\" href=\"[^\"]*\">([^<]*)<")
                .matcher(look("/t" + page).body())
                .results()
                .map(found -> found.group(1))
                .toList();
    }

    private void add(String page, String title, String address, String... more) {
        List<String> fields = new java.util.ArrayList<>(List.of("entryTitle", title, "address", address));
        fields.addAll(List.of(more));
        HttpResponse<String> answer = person.form(page, page + "/entries", fields.toArray(String[]::new));
        assertThat(answer.statusCode()).as(answer.body()).isEqualTo(302);
    }

    @Test
    void one_address_leads_to_several_pages_each_with_tags_and_figures_of_its_own() {
        String page = put(
                "title",
                "Row & <race>",
                "text",
                "All we do",
                "source",
                "Posts",
                "campaign",
                "Season",
                "ending",
                "gigs");
        await("the link is known", () -> http().visit(tenant.host(), "gigs").statusCode() == 302);
        String next = http().visit(tenant.host(), "gigs")
                .headers()
                .firstValue("Location")
                .orElseThrow();
        assertThat(next).startsWith("http://" + tenant.host() + ":" + port + "/t" + page + "?utm_source=posts");
        String slug = http().issue(tenant.apiKey(), "https://gigs.example/vouchers", "Season", "Shop")
                .get(0);
        add(page, "Taster rows", "gigs.example/taster");
        add(page, "Vouchers", tenant.host() + "/" + slug.toUpperCase(java.util.Locale.ROOT));
        HttpResponse<String> open = look("/t" + page);
        assertThat(open.body())
                .contains(
                        "<meta property=\"og:title\" content=\"Row &amp; &lt;race&gt;\">",
                        "content=\"All we do\"",
                        "og:url",
                        "lang=\"en\"")
                .doesNotContain("<script");
        assertThat(open.body().replace("Made with Wendo", ""))
                .as("but for a line at the foot")
                .doesNotContain("Wendo");
        assertThat(open.headers().firstValue("Content-Security-Policy").orElseThrow())
                .contains("default-src 'none'");
        assertThat(entries(page)).containsExactly("Taster rows", "Vouchers");
        String taster =
                open.body().replaceFirst("(?s)^.*class=\"entry\" href=\"[^\"]*/([^\"/]*)\">Taster rows.*$", "$1");
        await(
                "the entry's link is known",
                () -> http().visit(tenant.host(), taster).statusCode() == 302);
        assertThat(http().visit(tenant.host(), taster)
                        .headers()
                        .firstValue("Location")
                        .orElseThrow())
                .startsWith("https://gigs.example/taster?utm_source=posts&utm_medium=");
        await(
                "visits are stored",
                () -> count(
                                tenant,
                                "select count(*) from visit v join link l on l.id = v.link_id where l.name like 'Taster%'")
                        >= 2);
        assertThat(person.get(page).body().replaceAll("\\s+", " "))
                .containsPattern("Taster rows.*<b>[2-9]</b><span>people</span>");
        assertThat(count(tenant, "select count(*) from link"))
                .as("the pasted link was used, not issued again")
                .isEqualTo(3);
    }

    @Test
    void entries_are_ordered_scheduled_and_removed() {
        String page = put("title", "Rows", "source", "Posts", "campaign", "Season");
        add(page, "One", "gigs.example/1");
        add(page, "Two", "gigs.example/2");
        add(page, "Past", "gigs.example/3", "last", "2020-01-01T10:00");
        add(page, "To come", "gigs.example/4", "first", "2100-01-01T10:00");
        add(page, "Now", "gigs.example/5", "first", "2020-01-01T10:00", "last", "2100-01-01T10:00");
        assertThat(entries(page)).containsExactly("One", "Two", "Now");
        UUID now = in(
                tenant,
                () -> jdbc.sql("select id from signpost_entry where title = 'Now'")
                        .query(UUID.class)
                        .single());
        for (int i = 0; i < 6; i++) {
            person.form(page, page + "/entries/" + now, "what", "up");
        }
        assertThat(entries(page)).containsExactly("Now", "One", "Two");
        person.form(page, page + "/entries/" + now, "what", "remove");
        assertThat(entries(page)).containsExactly("One", "Two");
        person.form(page, page, "title", "Rows and races", "text", "");
        assertThat(look("/t" + page).body()).contains("<h1>Rows and races</h1>");
    }

    @Test
    void what_cannot_be_says_why_and_keeps_what_was_typed() {
        HttpResponse<String> refused = person.form(
                "/signposts",
                "/signposts",
                "title",
                "",
                "text",
                "t".repeat(601),
                "source",
                "--",
                "campaign",
                "",
                "ending",
                "x");
        assertThat(refused.statusCode()).isEqualTo(422);
        assertThat(refused.body()).contains("Give it a title", "this has 601", "value=\"--\"");
        assertThat(person.form(
                                "/signposts",
                                "/signposts",
                                "title",
                                "Rows",
                                "source",
                                "Posts",
                                "campaign",
                                "Season",
                                "ending",
                                "wendo")
                        .body())
                .contains("kept for the link domain");
        assertThat(count(tenant, "select count(*) from signpost"))
                .as("neither it nor its link")
                .isZero();
        String page = put("title", "Rows", "source", "Posts", "campaign", "Season");
        assertThat(person.form(page, page + "/entries", "entryTitle", "", "address", "gigs.example", "first", "soon")
                        .body())
                .contains("A title has 1 to 120 characters", "Enter a day and a time", "value=\"gigs.example\"");
        assertThat(person.form(page, page + "/entries", "entryTitle", "Bad", "address", "ftp://x")
                        .body())
                .contains("Only http and https");
        assertThat(person.form(
                                page,
                                page + "/entries",
                                "entryTitle",
                                "Bad",
                                "address",
                                "gigs.example",
                                "first",
                                "2026-05-02T10:00",
                                "last",
                                "2026-05-01T10:00")
                        .body())
                .contains("It ends before it begins");
        assertThat(person.form(page, page, "title", "", "text", "x").statusCode())
                .isEqualTo(422);
        for (int i = 0; i < Signposts.MAX_ENTRIES; i++) {
            add(page, "Entry " + i, "gigs.example/" + i);
        }
        assertThat(person.form(page, page + "/entries", "entryTitle", "One more", "address", "gigs.example/x")
                        .body())
                .contains("room for 30 entries");
    }

    @Test
    void nobody_elses_signpost_is_seen_or_changed() {
        String page = put("title", "Rows", "source", "Posts", "campaign", "Season");
        Http curious = http().signIn(tenant("Curious Coxes").email());
        assertThat(curious.get(page).statusCode()).isEqualTo(404);
        assertThat(curious.form("/signposts", page, "title", "Mine", "text", "").statusCode())
                .isEqualTo(404);
        assertThat(look("/t/signposts/" + UUID.randomUUID()).statusCode()).isEqualTo(404);
        assertThat(look("/t/signposts/nonsense").statusCode()).isIn(400, 404);
    }
}
