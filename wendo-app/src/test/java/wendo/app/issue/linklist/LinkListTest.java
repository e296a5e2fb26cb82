package wendo.app.issue.linklist;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.http.HttpResponse;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.jsoup.Jsoup;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import wendo.app.Http;
import wendo.app.WendoTest;

/** The list of links, changes of many, and the page of each. */
class LinkListTest extends WendoTest {
    private Tenant tenant;
    private Http person;

    @BeforeEach
    void open() {
        tenant = tenant("Dunlin Dinghies");
        person = http().signIn(tenant.email());
    }

    private List<String> issue(String campaign, String... sources) {
        return http().issue(tenant.apiKey(), "https://dinghies.example/" + campaign.toLowerCase(), campaign, sources);
    }

    private UUID link(String slug) {
        return in(
                tenant,
                () -> jdbc.sql("select id from link where slug = ?")
                        .param(slug)
                        .query(UUID.class)
                        .single());
    }

    private static List<String> names(HttpResponse<String> page) {
        return java.util.regex.Pattern.compile("class=\"stub-name\"[^>]*>([^<]+)<")
                .matcher(page.body())
                .results()
                .map(found -> found.group(1))
                .toList();
    }

    private List<String> change(String query, Map<String, String> fields, String... slugs) {
        List<String> all = new ArrayList<>(List.of("query", query));
        fields.forEach((name, value) -> all.addAll(List.of(name, value)));
        for (String slug : slugs) {
            all.addAll(List.of("link", link(slug).toString()));
        }
        HttpResponse<String> answer = person.form("/links", "/links/changes", all.toArray(String[]::new));
        assertThat(answer.statusCode()).isEqualTo(302);
        return List.of(person.get("/links?" + query).body().split("\n"));
    }

    /** The link host hears of a change within moments. */
    private void awaitLed(String slug, String address) {
        await(
                "it leads to " + address,
                () -> http().visit(tenant.host(), slug)
                        .headers()
                        .firstValue("Location")
                        .orElseThrow()
                        .startsWith(address));
    }

    private UUID lastChange() {
        return in(
                tenant,
                () -> jdbc.sql("select id from link_change order by made_at desc limit 1")
                        .query(UUID.class)
                        .single());
    }

    @Test
    void links_are_exported_as_they_are_filtered() {
        http().issue(tenant.apiKey(), "https://stilt.example/", "Spring", "Postcards", "Radio");
        String all = person.get("/links/links.csv").body();
        assertThat(all).contains("Name,Address,Source", "People,Visits,Not counted");
        long rows = all.lines().count();
        assertThat(rows).isGreaterThan(2);
        assertThat(person.get("/links/links.csv?find=no+such+link").body().lines())
                .hasSize(1);
        assertThat(person.get("/links/links.csv?sort=name").body().lines()).hasSize((int) rows);
        assertThat(person.get("/links/links.xlsx")
                        .headers()
                        .firstValue("Content-Disposition")
                        .orElseThrow())
                .contains("links-", ".xlsx");
        assertThat(person.get("/links/links.pdf").statusCode()).isEqualTo(404);
    }

    @Test
    void the_list_is_narrowed_ordered_grouped_and_paged_by_the_server() {
        for (int i = 0; i < 2; i++) {
            List<String> sources = new ArrayList<>();
            for (int s = 0; s < 30; s++) {
                sources.add("Shop %02d".formatted(i * 30 + s));
            }
            issue(i == 0 ? "Spring" : "Autumn", sources.toArray(String[]::new));
        }
        assertThat(person.get("/links").body()).contains("60 links", "Page 1 of 2");
        assertThat(names(person.get("/links?sort=name")))
                .hasSize(50)
                .startsWith("Shop 00 · Spring", "Shop 01 · Spring");
        assertThat(names(person.get("/links?sort=name&page=2"))).hasSize(10).endsWith("Shop 59 · Autumn");
        assertThat(names(person.get("/links?sort=name&page=99")))
                .as("a page beyond the last is the first")
                .hasSize(50);
        assertThat(names(person.get("/links?find=shop+4&sort=name")))
                .hasSize(10)
                .startsWith("Shop 40 · Autumn");
        assertThat(person.get("/links?find=100%25+off").body()).contains("0 links found", "No link");
        String grouped = person.get("/links?group=campaign").body();
        assertThat(grouped.indexOf("Shop", grouped.indexOf(">Autumn</h2>")))
                .as("links under their campaign")
                .isGreaterThan(grouped.indexOf(">Autumn</h2>"));
        UUID spring = in(
                tenant,
                () -> jdbc.sql("select id from campaign where name = 'Spring'")
                        .query(UUID.class)
                        .single());
        assertThat(person.get("/links?campaign=" + spring).body()).contains("30 links in Spring");
        assertThat(person.get("/links?sort=nonsense&campaign=x&page=-3&channel=pigeon")
                        .body())
                .contains("60 links");
    }

    @Test
    void most_visited_and_quiet_are_each_others_reverse() {
        List<String> slugs = issue("Spring", "Sign", "Flyer", "Radio");
        for (int i = 0; i < 3; i++) {
            http().visit(tenant.host(), slugs.get(1));
        }
        http().visit(tenant.host(), slugs.get(2));
        await("visits are stored", () -> count(tenant, "select count(*) from visit") == 4);
        assertThat(names(person.get("/links")).get(0)).startsWith("Flyer");
        assertThat(names(person.get("/links?sort=quiet"))).first().asString().startsWith("Sign");
        assertThat(person.get("/links").body()).contains("<b>3</b><span>people</span>");
    }

    @Test
    void a_filter_with_a_name_comes_back_by_it() {
        issue("Spring", "Sign", "Flyer");
        HttpResponse<String> kept =
                person.form("/links", "/links/filters", "name", "Signs & more", "query", "find=sign%26&sort=name");
        assertThat(kept.headers().firstValue("Location").orElseThrow()).endsWith("/links?find=sign%26&sort=name");
        assertThat(person.get("/links").body()).contains("Signs &amp; more", "find=sign%26&amp;sort=name");
        person.form("/links", "/links/filters", "name", "Signs & more", "query", "find=flyer");
        assertThat(count(tenant, "select count(*) from link_filter")).isOne();
        assertThat(person.form("/links", "/links/filters", "name", " ", "query", "find=flyer")
                        .statusCode())
                .isEqualTo(422);
        UUID id = in(
                tenant,
                () -> jdbc.sql("select id from link_filter").query(UUID.class).single());
        person.form("/links", "/links/filters/" + id + "/remove");
        assertThat(person.get("/links").body()).doesNotContain("Signs &amp; more");
    }

    @Test
    void archived_links_are_out_of_the_list_and_go_on_leading() {
        List<String> slugs = issue("Spring", "Sign", "Flyer");
        String after = String.join("", change("", Map.of("what", "archive"), slugs.get(0)));
        assertThat(after).contains("Archived", "1 link", "Undo");
        assertThat(names(person.get("/links"))).containsExactly("Flyer · Spring");
        assertThat(names(person.get("/links?state=archived"))).containsExactly("Sign · Spring");
        assertThat(http().visit(tenant.host(), slugs.get(0)).statusCode()).isEqualTo(302);
        change("state=archived", Map.of("what", "restore"), slugs.get(0));
        assertThat(names(person.get("/links"))).hasSize(2);
        person.form("/links", "/links/" + link(slugs.get(1)) + "/archive", "away", "true");
        assertThat(names(person.get("/links"))).containsExactly("Sign · Spring");
    }

    @Test
    void undoing_puts_back_what_was_and_leaves_alone_what_was_changed_since() {
        List<String> slugs = issue("Spring", "Sign", "Flyer", "Radio");
        change("", Map.of("what", "label", "label", "Harbour"), slugs.get(0), slugs.get(1));
        change("", Map.of("what", "label", "label", "harbour"), slugs.get(2));
        assertThat(count(tenant, "select count(*) from link where labels = '{Harbour}'"))
                .as("two spellings are one label")
                .isEqualTo(3);
        change("", Map.of("what", "label", "label", "Quay"), slugs.get(0), slugs.get(1), slugs.get(2));
        UUID quay = lastChange();
        change("", Map.of("what", "unlabel", "label", "Harbour"), slugs.get(2));
        person.form("/links", "/links/changes/" + quay + "/undo");
        assertThat(person.get("/links").body())
                .contains("2 links are as they were before.", "1 were changed by somebody since and left alone.");
        assertThat(count(tenant, "select count(*) from link where labels = '{Harbour}'"))
                .isEqualTo(2);
        assertThat(count(tenant, "select count(*) from link where labels = '{Quay}'"))
                .isOne();
        assertThat(person.form("/links", "/links/changes/" + quay + "/undo").statusCode())
                .as("once is enough")
                .isEqualTo(404);
        assertThat(person.get("/links/changes").body()).contains("Labelled “Quay”", "undone");
    }

    @Test
    void many_links_are_led_elsewhere_at_once_and_back_again() {
        List<String> slugs = issue("Spring", "Sign", "Flyer");
        Map<String, String> lead = Map.of("what", "lead", "address", "dinghies.example/new?a=1", "reason", "Moved");
        change(
                "find=spring",
                Map.of("what", "lead", "address", "dinghies.example/new?a=1", "reason", "Moved", "all", "yes"));
        awaitLed(slugs.get(0), "https://dinghies.example/new?a=1&utm_source=sign&");
        assertThat(person.get("/links/" + link(slugs.get(0)) + "/leads").body().replaceAll("<[^>]*>", ""))
                .containsSubsequence(
                        "https://dinghies.example/new?a=1", "Ola Ness: Moved", "https://dinghies.example/spring");
        assertThat(String.join("", change("", lead, slugs.get(0)))).contains("Nothing to change");
        UUID made = lastChange();
        person.form("/links", "/links/changes/" + made + "/undo");
        awaitLed(slugs.get(1), "https://dinghies.example/spring?utm_source=flyer");
        assertThat(count(tenant, "select count(*) from link_destination")).isEqualTo(6);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "archive | | Select links first.",
                "label | --- | A label has 1 to 40 characters",
                "label | a,b | no commas",
                "lead | javascript:alert(1) | Only http and https",
                "owner | nobody | Nobody here has that name.",
                "dance | | Choose what to do with them."
            })
    void a_change_that_cannot_be_made_says_why(String what, String value, String expected) {
        List<String> slugs = issue("Spring", "Sign");
        String typed = value == null ? "" : value;
        String page = String.join(
                "",
                change(
                        "",
                        Map.of("what", what, "label", typed, "address", typed, "owner", typed),
                        what.equals("archive") ? new String[0] : slugs.toArray(String[]::new)));
        assertThat(page).contains(expected);
        assertThat(count(tenant, "select count(*) from link_change")).isZero();
    }

    @Test
    void an_owner_is_given_to_many_and_filtered_by() {
        List<String> slugs = issue("Spring", "Sign", "Flyer");
        UUID ola = in(
                tenant,
                () -> jdbc.sql("select person_id from membership")
                        .query(UUID.class)
                        .single());
        change("", Map.of("what", "owner", "owner", ola.toString()), slugs.get(0));
        assertThat(person.get("/links?owner=" + ola).body()).contains("1 link owned by Ola Ness");
        change("", Map.of("what", "owner", "owner", ""), slugs.get(0));
        assertThat(person.get("/links?owner=" + ola).body()).contains("0 links");
    }

    @Test
    void a_links_page_shows_its_figures_and_takes_its_terms() {
        String slug = issue("Spring", "Sign").get(0);
        String page = "/links/" + link(slug);
        assertThat(person.get(page).body()).contains("Nobody came by this link in this period");
        http().send(http().request("/" + slug)
                .header("Host", tenant.host())
                .header("Referer", "https://blog.example/walks?p=3"));
        http().send(http().request("/" + slug).header("Host", tenant.host()).header("X-Forwarded-For", "193.0.6.139"));
        await("visits are stored", () -> count(tenant, "select count(*) from visit") == 2);
        // 193.0.0.0/21 is registered to the RIPE NCC in the Netherlands (whois, from memory).
        assertThat(person.get(page).body())
                .contains("<b>2</b><span>people</span>", "https://blog.example/walks?p=3", "Netherlands", "Computers");

        HttpResponse<String> refused = person.form(
                page, page, "name", "", "note", "n".repeat(1001), "paid", "yes", "disclosure", "", "lastDay", "soon");
        assertThat(refused.statusCode()).isEqualTo(422);
        assertThat(refused.body())
                .contains(
                        "A name must have 1 to 160 characters",
                        "this has 1,001",
                        "Enter what stands beside",
                        "is not a day");
        person.form(
                page,
                page,
                "name",
                "The sign",
                "note",
                "By the <pumps>",
                "labels",
                "harbour, quay",
                "paid",
                "yes",
                "disclosure",
                "Advertisement");
        assertThat(person.get(page).body())
                .contains(
                        "The sign",
                        "By the &lt;pumps&gt;",
                        "rel=&quot;sponsored nofollow&quot;&gt;The sign&lt;/a&gt; Advertisement",
                        "https://dinghies.example/spring?utm_source=sign&amp;amp;utm_medium=print");
    }

    @Test
    void another_business_finds_none_of_it() {
        String slug = issue("Spring", "Sign").get(0);
        UUID link = link(slug);
        change("", Map.of("what", "archive"), slug);
        UUID made = lastChange();
        Tenant other = tenant("Curious Canoes");
        Http curious = http().signIn(other.email());
        for (String path : List.of("", "/leads", "/place", "/place/ad", "/place/card", "/proof")) {
            assertThat(curious.get("/links/" + link + path).statusCode())
                    .as(path)
                    .isEqualTo(404);
        }
        assertThat(curious.get("/codes?link=" + link).statusCode()).isEqualTo(404);
        assertThat(curious.form("/links", "/links/changes/" + made + "/undo").statusCode())
                .isEqualTo(404);
        curious.form("/links", "/links/changes", "what", "restore", "link", link.toString());
        assertThat(count(tenant, "select count(*) from link where archived_at is not null"))
                .isOne();
        assertThat(curious.form("/links", "/proofs", "link", link.toString())
                        .headers()
                        .firstValue("Location")
                        .orElseThrow())
                .endsWith("/links");
    }

    @Test
    void a_slash_puts_one_label_into_another_and_the_outer_one_finds_what_lies_in_it() {
        http().issue(tenant.apiKey(), "https://stilt.example/", "Spring", "Posters", "Radio", "Sign");
        List<String> links = in(
                tenant,
                () -> jdbc.sql("select id::text from link order by name")
                        .query(String.class)
                        .list());
        label(links.get(0), "Season/Spring");
        label(links.get(1), "season / spring, Season/Summer");
        label(links.get(2), "Harbour");
        String page = person.get("/links?label=Season").body();
        assertThat(page).contains("2 links labelled Season").doesNotContain(">Sign · Spring<");
        assertThat(person.get("/links?label=Season%2FSummer").body()).contains("1 link labelled Season/Summer");
        String side = Jsoup.parse(page).select("nav.labels").text();
        assertThat(side).isEqualTo("Labels Harbour 1 Season 2 Spring, Season/Spring 2 Summer, Season/Summer 1");
        assertThat(Jsoup.parse(page).select("nav.labels a[aria-current]").text())
                .isEqualTo("Season 2");
    }

    private void label(String link, String labels) {
        assertThat(person.form("/links/" + link, "/links/" + link, "name", nameOf(link), "labels", labels)
                        .statusCode())
                .isEqualTo(302);
    }

    private String nameOf(String link) {
        return in(
                tenant,
                () -> jdbc.sql("select name from link where id = cast(? as uuid)")
                        .param(link)
                        .query(String.class)
                        .single());
    }

    private org.jsoup.nodes.Document list(String address) {
        return org.jsoup.Jsoup.parse(person.get(address).body());
    }

    @Test
    void each_heading_sorts_the_stubs_both_ways_and_stubs_show_what_one_chooses() {
        http().issue(tenant.apiKey(), "https://curlew.example/a", "Spring", "Postcards", "Radio");
        for (org.jsoup.nodes.Element heading : list("/links").select(".sort-bar a")) {
            String once = list(heading.attr("href"))
                    .select(".sort-bar a[aria-current]")
                    .attr("href");
            String twice = list(once).select(".sort-bar a[aria-current]").attr("href");
            assertThat(twice).as(heading.text()).isNotEqualTo(once);
            assertThat(list(twice).select("article.stub")).as(heading.text()).isNotEmpty();
        }
        org.jsoup.nodes.Document chosen = list("/links?columns=name&columns=issued&columns=health&group=source");
        assertThat(chosen.select("article.stub .stub-figures div span").eachText())
                .contains("Issued", "Health")
                .doesNotContain("not counted");
        assertThat(chosen.select(".sort-bar a").attr("href")).contains("columns=name.issued.health", "group=source");
    }
}
