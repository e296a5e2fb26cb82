package wendo.app.issue.linkreport;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.http.HttpResponse;
import java.util.List;
import java.util.Locale;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jsoup.Jsoup;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import wendo.app.Http;
import wendo.app.WendoTest;
import wendo.app.platform.accounts.Accounts;
import wendo.app.platform.accounts.Role;

class LinkReportTest extends WendoTest {
    private static final Pattern TOKEN = Pattern.compile("/t/link-reports/([\\w-]{22})");

    @Autowired
    private Accounts accounts;

    private Tenant tenant;
    private Http person;
    private String link;

    @BeforeEach
    void a_link_that_two_people_opened() {
        tenant = tenant("Dunlin Dinghies");
        person = http().signIn(tenant.email());
        http().issue(tenant.apiKey(), "https://dunlin.example/", "Spring", "Postcards");
        link = in(
                tenant,
                () -> jdbc.sql("select id::text from link").query(String.class).single());
        String slug = in(
                tenant,
                () -> jdbc.sql("select slug from link").query(String.class).single());
        for (String browser :
                List.of("Mozilla/5.0 (iPhone; CPU iPhone OS 17_0 like Mac OS X) Mobile", "Mozilla/5.0 (X11)")) {
            Http visitor = http();
            visitor.send(visitor.request("/" + slug)
                    .header("Host", tenant.host())
                    .setHeader("User-Agent", browser)
                    .header("Referer", "https://news.example/letters?to=ada@reed.example"));
        }
        await(
                "both visits are in the sums",
                () -> count(tenant, "select coalesce(sum(visits), 0) from visit_trait_sum where trait = 'device'")
                        == 2);
    }

    private String switchOn(String of, String... more) {
        List<String> fields = new java.util.ArrayList<>(List.of(of.split("=")));
        fields.addAll(List.of(more));
        HttpResponse<String> answer =
                person.form("/links/report?" + of, "/links/report?period=28d", fields.toArray(String[]::new));
        assertThat(answer.statusCode()).isEqualTo(302);
        Matcher token = TOKEN.matcher(person.get("/links/report?" + of).body());
        assertThat(token.find()).isTrue();
        return "/t/link-reports/" + token.group(1);
    }

    @Test
    void anybody_with_the_address_sees_the_figures_and_nobody_s_address() {
        String address = switchOn("link=" + link);
        HttpResponse<String> answer = http().get(address);
        assertThat(answer.statusCode()).isEqualTo(200);
        assertThat(answer.body())
                .contains("<b>2</b><span>People</span>", "<b>2</b><span>Visits</span>", "news.example", "Phones")
                .doesNotContain("ada@reed.example", "letters", "Bookings");
        assertThat(answer.headers().firstValue("X-Robots-Tag")).hasValue("noindex, nofollow");
        assertThat(person.get("/links/report?link=" + link).body()).contains("Opened once");
    }

    @Test
    void a_reader_reads_their_own_language() {
        String address = switchOn("link=" + link);
        Http reader = http();
        assertThat(reader.send(reader.request(address).header("Accept-Language", "fr"))
                        .body())
                .contains("Personnes par jour", "Visites par appareil")
                .doesNotContain("Visits by");
    }

    @Test
    void outcomes_are_told_only_where_they_were_asked_for() {
        String address = switchOn("link=" + link, "outcomes", "yes");
        assertThat(http().get(address).body()).contains("<b>0</b><span>Bookings</span>");
    }

    @Test
    void switched_off_it_is_gone_and_switched_on_again_it_has_the_same_address() {
        String address = switchOn("link=" + link);
        person.form("/links/report?link=" + link, "/links/report/off", "link", link);
        assertThat(http().get(address).statusCode()).isEqualTo(404);
        assertThat(person.get("/links/report?link=" + link).body()).contains("It is switched off");
        String version = version();
        assertThat(switchOn("link=" + link, "version", version)).isEqualTo(address);
        assertThat(http().get(address).statusCode()).isEqualTo(200);
    }

    private String version() {
        return Jsoup.parse(person.get("/links/report?link=" + link).body())
                .select("input[name=version]")
                .attr("value");
    }

    @Test
    void a_campaign_and_a_label_have_their_own() {
        String campaign = in(
                tenant,
                () -> jdbc.sql("select id::text from campaign")
                        .query(String.class)
                        .single());
        person.form("/links/" + link, "/links/" + link, "name", "Spring postcards", "labels", "harbour");
        assertThat(http().get(switchOn("campaign=" + campaign)).body())
                .contains("<h1 class=\"[overflow-wrap:anywhere]\">Spring</h1>");
        assertThat(http().get(switchOn("label=harbour")).body()).contains("harbour", "<b>2</b><span>People</span>");
        assertThat(person.get("/links/report?label=nowhere").statusCode()).isEqualTo(404);
        assertThat(person.get("/links?label=harbour").body()).contains("/links/report?label=harbour");
    }

    @Test
    void of_two_who_change_it_the_later_one_is_asked() {
        switchOn("link=" + link);
        String stale = version();
        person.form(
                "/links/report?link=" + link,
                "/links/report?period=28d",
                "link",
                link,
                "version",
                stale,
                "outcomes",
                "yes");
        assertThat(person.form("/links/report?link=" + link, "/links/report?period=28d", "link", link, "version", stale)
                        .statusCode())
                .isEqualTo(409);
    }

    @Test
    void neither_another_business_nor_staff_nor_a_viewer_can_switch_it_on() {
        Tenant other = tenant("Wigeon Walks");
        assertThat(http().signIn(other.email())
                        .get("/links/report?link=" + link)
                        .statusCode())
                .isEqualTo(404);
        for (Role role : List.of(Role.STAFF, Role.VIEWER)) {
            String email = role.name().toLowerCase(Locale.ROOT) + "@" + tenant.host() + ".example";
            in(tenant, () -> {
                accounts.join(accounts.register(email, "Kim Ness", PASSWORD), role);
                return true;
            });
            assertThat(http().signIn(email).get("/links/report?link=" + link).statusCode())
                    .isEqualTo(403);
        }
        assertThat(http().get("/t/link-reports/aaaaaaaaaaaaaaaaaaaaaa").statusCode())
                .isEqualTo(404);
    }
}
