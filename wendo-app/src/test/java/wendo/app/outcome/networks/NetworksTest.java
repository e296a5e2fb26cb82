package wendo.app.outcome.networks;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.net.URLEncoder;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.util.HashSet;
import java.util.Set;
import java.util.UUID;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import wendo.app.Http;
import wendo.app.WendoTest;
import wendo.app.outcome.imports.OutcomeFiles;
import wendo.standins.PartnerNetwork;

/** Against the stand-in network, which keeps ten digits and writes its placeholders in square brackets. */
class NetworksTest extends WendoTest {
    private static final Pattern POSTBACK = Pattern.compile("id=\"postback\"[^>]*>([^<]+)<");

    private PartnerNetwork network;
    private Tenant tenant;
    private Http person;
    private String slug;

    @BeforeEach
    void open() throws IOException {
        network = PartnerNetwork.start(0);
        tenant = tenant("Teal Tours");
        person = http().signIn(tenant.email());
        slug = http().issue(
                        tenant.apiKey(),
                        "http://localhost:" + network.port() + "/offer?deal=3",
                        "Spring",
                        "Newsletter",
                        "Sail Insurance")
                .get(0);
    }

    @AfterEach
    void close() {
        network.close();
    }

    private String source(String name) {
        return in(
                tenant,
                () -> jdbc.sql("select id::text from source where name = ?")
                        .param(name)
                        .query(String.class)
                        .single());
    }

    private HttpResponse<String> add(String name, String alphabet, String length) {
        return person.form(
                "/setup/networks/new",
                "/setup/networks/new",
                "name",
                name,
                "source",
                source("Sail Insurance"),
                "pattern",
                "http://localhost:" + network.port() + "/offer",
                "parameter",
                "s1",
                "alphabet",
                alphabet,
                "maxLength",
                length,
                "kind",
                "purchase",
                "sub",
                "[s1]",
                "reference",
                "[sale]",
                "value",
                "[amount]",
                "currency",
                "[money]",
                "status",
                "[state]");
    }

    /** The address to paste at the network, once visits carry its sub-ID. */
    private String ready(HttpResponse<String> added) {
        assertThat(added.statusCode()).as(added.body()).isEqualTo(302);
        String page = person.get(
                        added.headers().firstValue("Location").orElseThrow().replaceFirst("^https?://[^/]+", ""))
                .body();
        Matcher address = POSTBACK.matcher(page);
        assertThat(address.find()).isTrue();
        await("links carry the sub-ID", () -> led().contains("&s1="));
        return address.group(1).replace("&amp;", "&");
    }

    private String led() {
        return http().visit(tenant.host(), slug)
                .headers()
                .firstValue("Location")
                .orElseThrow();
    }

    private HttpResponse<String> at(String path, String... fields) {
        return http().on(network.port()).form("/", path, fields);
    }

    private String path(String postback) {
        return postback.replaceFirst("^https?://[^/]+", "")
                .replaceAll("&currency=[^&]*", "")
                .replace("[amount]", "4.20")
                .replace("[state]", "pending");
    }

    private HttpResponse<String> report(String postback, String subId, String sale) {
        return http().get(path(postback).replace("[s1]", subId).replace("[sale]", sale));
    }

    private String outcome(String reference) {
        return in(
                tenant,
                () -> jdbc.sql("""
                        select concat_ws(' ', o.kind, o.status, o.value_minor, coalesce(s.name, 'nobody')) from outcome o
                        left join outcome_source c on c.outcome_id = o.id left join source s on s.id = c.source_id
                        where o.reference = ?
                        """)
                        .param(reference)
                        .query(String.class)
                        .optional()
                        .orElse("none"));
    }

    @Test
    void a_sale_comes_back_by_postback_and_by_file_and_is_one() throws IOException {
        String postback = ready(add("Sail Net", "digits", "10"));
        String onOurPort = "http://localhost:" + port + postback.replaceFirst("^https?://[^/]+", "");
        at("/postback", "address", onOurPort);
        String location = led();
        assertThat(location)
                .matches("http://localhost:\\d+/offer\\?deal=3&.*&s1=\\d{3,10}")
                .doesNotContain("wcl");
        String subId = location.replaceFirst(".*s1=", "");
        at("/sale", "s1", subId, "amount", "12.50");
        await("it is credited", () -> outcome("N-7001").equals("purchase open 1250 Newsletter"));
        at("/state", "sale", "N-7001", "state", "approved");
        await("it is confirmed", () -> outcome("N-7001").equals("purchase confirmed 1250 Newsletter"));
        at("/sale", "s1", led().replaceFirst(".*s1=", ""), "amount", "3.00");
        at("/state", "sale", "N-7002", "state", "rejected");
        await("it is taken back", () -> outcome("N-7002").startsWith("purchase cancelled"));
        String report = http().on(network.port()).get("/report.csv").body();
        assertThat(report).contains("N-7001;" + subId + ";12,50;1,25;approved");
        OutcomeFiles files = new OutcomeFiles(person);
        String file = files.bring(
                (report + "N-7003;" + subId + ";8,00;0,80;pending\r\n").getBytes(StandardCharsets.UTF_8), "sales.csv");
        files.check(file, "kind", "purchase", "partner", source("Sail Insurance"));
        assertThat(person.get(file).body()).contains("1 new", "2 known", "Its click identifier tells");
        files.run(file);
        await(
                "the file's own sale is joined by its sub-ID",
                () -> outcome("N-7003").equals("purchase open 800 Newsletter"));
        assertThat(count(tenant, "select count(*) from outcome")).isEqualTo(3);
    }

    /** Nobody passes by the link, so the sub-ID names the link instead of a visit. */
    @Test
    void an_ads_own_address_names_its_link_to_the_network_and_keeps_its_fragment() {
        String postback = ready(add("Sail Net", "letters", "26"));
        String ad = http().issue(
                        tenant.apiKey(), "http://localhost:" + network.port() + "/offer#book", "Spring", "Search ads")
                .get(0);
        String page = "/links/"
                + in(
                        tenant,
                        () -> jdbc.sql("select id::text from link where slug = ?")
                                .param(ad)
                                .query(String.class)
                                .single())
                + "/place/ad";
        assertThat(person.get(page).body()).contains("&amp;s1=" + ad + "#book", "its sub-ID names this link");
        assertThat(report(postback, ad, "N-9").body()).startsWith("Recorded: it came by your link Search ads");
        await("its source has it", () -> outcome("N-9").equals("purchase open 420 Search ads"));
        assertThat(http().get(path(postback).replace("[s1]", ad)).body())
                .as("without the network's own number two sales would be one")
                .contains("send its own number of each sale");
    }

    @Test
    void an_ending_that_the_networks_sub_id_cannot_hold_is_told_before_the_ad_runs() {
        ready(add("Sail Net", "digits", "10"));
        String id = in(
                tenant,
                () -> jdbc.sql("select id::text from link where slug = ?")
                        .param(slug)
                        .query(String.class)
                        .single());
        assertThat(person.get("/links/" + id + "/place/ad").body()).contains("cannot hold this link’s ending");
    }

    @Test
    void what_fits_goes_out_as_it_is_and_shouting_does_not_matter() {
        String postback = ready(add("Sail Net", "letters", "26"));
        String subId = led().replaceFirst(".*s1=", "");
        assertThat(subId).hasSize(26);
        assertThat(report(postback, subId.toUpperCase(java.util.Locale.ROOT), "N-1")
                        .body())
                .startsWith("Recorded");
        await("it is credited", () -> outcome("N-1").equals("purchase open 420 Newsletter"));
    }

    @Test
    void a_sale_whose_visit_comes_later_or_never_belongs_to_the_networks_source() {
        String postback = ready(add("Sail Net", "hex", "6"));
        String click = Http.click(http().visit(
                        tenant.host(),
                        http().issue(tenant.apiKey(), "https://teal.example/", "Spring", "Flyer")
                                .get(0)));
        assertThat(report(postback, "fffff0", "N-2").body())
                .isEqualTo("Recorded: no visit with this sub-ID is known yet.");
        await("it is the network's", () -> outcome("N-2").equals("purchase open 420 Sail Insurance"));
        in(
                tenant,
                () -> jdbc.sql("insert into visit_alias select business_id, network_id, alias, ? from postback_waiting")
                        .param(wendo.core.visits.ClickId.find(click)
                                .orElseThrow()
                                .uuid())
                        .update());
        http().visit(tenant.host(), slug);
        await("its visit has come", () -> outcome("N-2").equals("purchase open 420 Flyer"));
        assertThat(count(tenant, "select count(*) from postback_waiting")).isZero();
    }

    @Test
    void aliases_are_different_and_short_enough_whatever_happens() {
        ready(add("Sail Net", "digits", "4"));
        Set<String> seen = new HashSet<>();
        for (int i = 0; i < 250; i++) {
            String[] led = {led()};
            if (!led[0].contains("s1=")) { // few are set aside where there are few, and these visits come very fast
                await("more are set aside", () -> (led[0] = led()).contains("s1="));
            }
            assertThat(seen.add(led[0].replaceFirst(".*s1=", ""))).isTrue();
        }
        assertThat(seen).allMatch(alias -> alias.matches("\\d{3,4}"));
        await(
                "each is known",
                () -> in(
                                tenant,
                                () -> jdbc.sql("select alias from visit_alias")
                                        .query(String.class)
                                        .list())
                        .containsAll(seen));
    }

    @Test
    void hostile_and_broken_postbacks_are_refused_clearly_and_shown() {
        String postback = ready(add("Sail Net", "digits", "10"));
        String page = "/setup/networks/"
                + in(
                        tenant,
                        () -> jdbc.sql("select id::text from partner_network")
                                .query(String.class)
                                .single());
        assertThat(http().get("/t/postback/" + UUID.randomUUID()).statusCode()).isEqualTo(404);
        String raw = URLEncoder.encode("[s1]", StandardCharsets.UTF_8);
        assertThat(report(postback, raw, "N-3").body()).contains("The sub-ID is missing: [s1] came as it stands");
        assertThat(http().get(path(postback)
                                .replace("[s1]", "12")
                                .replace("[sale]", "N-3")
                                .replace("4.20", "x"))
                        .statusCode())
                .isEqualTo(422);
        assertThat(http().get(path(postback).replace("[s1]", "12").replace("[sale]", "N-3") + "&currency=USD")
                        .body())
                .contains("currency");
        assertThat(outcome("N-3")).isEqualTo("none");
        assertThat(person.get(page).body()).contains("[s1] came as it stands", "currency: ", "reference=N-3");
        assertThat(person.get(page + "/received").body()).doesNotContain("<html");
        assertThat(http().signIn(tenant("Osprey Outings").email()).get(page).statusCode())
                .isEqualTo(404);
        person.form(page, page + "/archive", "away", "true");
        assertThat(report(postback, "12", "N-4").statusCode()).isEqualTo(404);
        await("links to it carry our own parameter again", () -> led().contains("wcl="));
    }

    @Test
    void what_cannot_be_a_network_is_refused_and_stays_typed() {
        HttpResponse<String> refused = person.form(
                "/setup/networks/new",
                "/setup/networks/new",
                "name",
                "",
                "pattern",
                "*",
                "parameter",
                "a b",
                "alphabet",
                "runes",
                "maxLength",
                "2",
                "kind",
                "x",
                "value",
                "{a&b}");
        assertThat(refused.statusCode()).isEqualTo(422);
        assertThat(refused.body())
                .contains(
                        "Enter a name of 1 to",
                        "Choose the source",
                        "Enter the host of its links",
                        "Enter the parameter",
                        "Choose the characters",
                        "3 to 200",
                        "like {sub1}",
                        "without spaces",
                        "value=\"a b\"");
        ready(add("Sail Net", "digits", "10"));
        assertThat(add("Sail Net", "digits", "10").body()).contains("Another network has this name.");
    }
}
