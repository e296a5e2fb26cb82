package wendo.app.platform.site;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.http.HttpResponse;
import java.util.List;
import java.util.stream.Stream;
import org.jsoup.Jsoup;
import org.jsoup.nodes.Document;
import org.jsoup.nodes.Element;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import wendo.app.Http;
import wendo.app.WendoTest;

/** Every list with headings: each heading sorts it, both ways, and each column can be chosen. */
class ListsTest extends WendoTest {
    private static final List<String> LISTS =
            List.of("/outcomes", "/leads?whose=all", "/subscribers?state=all", "/setup/destinations", "/spend");

    private String recipients = "";

    private Http person;

    /** Two of everything that is listed. */
    @BeforeEach
    void fill() {
        Tenant tenant = tenant("Pintail Pottery");
        person = http().signIn(tenant.email());
        http().issue(tenant.apiKey(), "https://pintail.example/a", "Spring", "Postcards");
        http().issue(tenant.apiKey(), "https://pintail.example/b", "Spring", "Radio");
        for (String outcome : List.of(
                "\"lead\", \"reference\": \"L-1\", \"name\": \"Ada\"",
                "\"lead\", \"reference\": \"L-2\", \"email\": \"bo@reed.example\"",
                "\"booking\", \"reference\": \"B-1\", \"value\": \"20.00\", \"currency\": \"GBP\"",
                "\"booking\", \"reference\": \"B-2\", \"value\": \"300.00\", \"currency\": \"GBP\"")) {
            http().post(tenant.apiKey(), "/api/v1/outcomes", "{\"kind\": " + outcome + "}");
        }
        await("both leads are taken up", () -> count(tenant, "select count(*) from lead") == 2);
        in(tenant, () -> jdbc.sql("""
                        insert into subscriber (id, business_id, link_id, email, subscribed_at)
                        select gen_random_uuid(), business_id, id, slug || '@reed.example', now() from link
                        """).update());
        recipients = "/recipients/"
                + in(tenant, () -> jdbc.sql("""
                        insert into recipient_list (id, business_id, link_id, name, columns, name_column, phone_column, email_column,
                            text, consent_source, created_at, created_by, made_at)
                        select gen_random_uuid(), business_id, id, 'spring', '{Name,E-mail}', 0, -1, 1, '{link}', 'the course form',
                            now(), 'Ola', now() from link limit 1
                        returning id::text
                        """).query(String.class).single());
        in(tenant, () -> jdbc.sql("""
                        insert into recipient (id, business_id, list_id, link_id, line, cells, name, phone, email, code, fault)
                        select gen_random_uuid(), l.business_id, l.id, l.link_id, n, '{}', 'Reader ' || n, '', n || '@reed.example',
                            'bcd00' || n, '' from recipient_list l, generate_series(2, 3) n
                        """).update());
        for (String source : in(
                tenant,
                () -> jdbc.sql("select id::text from source where name in ('Postcards', 'Radio')")
                        .query(String.class)
                        .list())) {
            person.form("/spend", "/spend/nothing", "source", source);
        }
    }

    private Document page(String address) {
        HttpResponse<String> answer = person.get(address);
        assertThat(answer.statusCode()).as(address).isEqualTo(200);
        return Jsoup.parse(answer.body());
    }

    @Test
    void each_heading_sorts_its_list_both_ways_and_each_column_can_be_chosen() {
        for (String list : Stream.concat(LISTS.stream(), Stream.of(recipients)).toList()) {
            String more = list + (list.contains("?") ? "&" : "?");
            for (Element box : page(list).select("input[type=checkbox][name=columns]")) {
                String chosen = more + "columns=" + box.val();
                Document one = page(chosen);
                assertThat(one.select("table:has(a.sorting) thead th"))
                        .as(chosen)
                        .isNotEmpty();
                assertThat(one.select("input[type=checkbox][name=columns][checked]")
                                .eachAttr("value"))
                        .as(chosen)
                        .containsExactly(box.val());
                Document all = page(more + "columns="
                        + String.join(
                                ".", page(list).select("input[name=columns]").eachAttr("value")));
                int headings = all.select("table:has(a.sorting) thead th").size();
                all.select("table:has(a.sorting) tbody tr")
                        .forEach(row -> assertThat(row.children()).as(list).hasSize(headings));
            }
            for (Element heading : page(list).select("a.sorting")) {
                Document once = page(heading.attr("href"));
                Element pressed = heading(once, heading.text());
                String way = pressed.parent() == null ? "" : pressed.parent().attr("aria-sort");
                assertThat(way).as(list + " " + heading.text()).isIn("ascending", "descending");
                Document twice = page(pressed.attr("href"));
                Element again = heading(twice, heading.text());
                assertThat(again.parent() == null ? "" : again.parent().attr("aria-sort"))
                        .as(list + " " + heading.text())
                        .isIn("ascending", "descending")
                        .isNotEqualTo(way);
            }
        }
    }

    private static Element heading(Document page, String words) {
        return page.select("a.sorting").stream()
                .filter(one -> bare(one).equals(words.replaceAll(" [↑↓]$", "")))
                .findFirst()
                .orElseThrow();
    }

    private static String bare(Element heading) {
        return heading.text().replaceAll(" [↑↓]$", "");
    }

    @Test
    void a_figure_begins_with_the_greatest_and_a_name_with_the_first() {
        assertThat(references("/outcomes?kind=booking&sort=value")).containsExactly("B-2", "B-1");
        assertThat(references("/outcomes?kind=booking&sort=-value")).containsExactly("B-1", "B-2");
        assertThat(page("/leads?whose=all&sort=lead")
                        .select("tbody tr td:first-child a")
                        .eachText())
                .containsExactly("Ada", "bo@reed.example");
        assertThat(page("/leads?whose=all&sort=-lead")
                        .select("tbody tr td:first-child a")
                        .eachText())
                .containsExactly("bo@reed.example", "Ada");
        assertThat(page("/setup/destinations?sort=-destination")
                        .select("tbody tr td:first-child a")
                        .eachText())
                .containsExactly("https://pintail.example/b", "https://pintail.example/a");
        assertThat(page("/setup/destinations?find=example%2FB")
                        .select("tbody tr td:first-child a")
                        .eachText())
                .containsExactly("https://pintail.example/b");
    }

    private List<String> references(String address) {
        return page(address).select("tbody td code").eachText();
    }

    @Test
    void what_goes_out_as_a_file_has_the_order_that_is_seen() {
        assertThat(person.get("/outcomes/ledger.csv?kind=booking&sort=-value").body())
                .containsSubsequence("B-1", "B-2");
        assertThat(person.get("/outcomes/ledger.csv?kind=booking&sort=value").body())
                .containsSubsequence("B-2", "B-1");
        assertThat(person.get("/leads/leads.csv?whose=all&sort=-lead").body()).containsSubsequence("bo@reed", "Ada");
    }
}
