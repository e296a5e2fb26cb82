package wendo.app.outcome.income;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.util.Locale;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import wendo.app.Http;
import wendo.app.WendoTest;
import wendo.app.compare.sql.CompareChoice;
import wendo.app.compare.sql.Revenue;
import wendo.app.compare.sql.RevenueSql;
import wendo.app.outcome.imports.OutcomeFiles;
import wendo.core.credit.ModelName;
import wendo.standins.PartnerNetwork;

/** A network pays for visits: it promises, approves, declines and pays, by postback and by file. */
class IncomeTest extends WendoTest {
    private static final String PAGE = "/partners/income";

    private PartnerNetwork network;
    private Tenant tenant;
    private Http person;
    private String slug;
    private int led;

    @BeforeEach
    void open() throws IOException {
        network = PartnerNetwork.start(0);
        tenant = tenant("Knot Guides");
        person = http().signIn(tenant.email());
        slug = http().issue(
                        tenant.apiKey(),
                        "http://localhost:" + network.port() + "/offer",
                        "Spring",
                        "Newsletter",
                        "Sail Insurance")
                .get(0);
        connect();
    }

    @AfterEach
    void close() {
        network.close();
    }

    private String source() {
        return in(
                tenant,
                () -> jdbc.sql("select id::text from source where name = 'Sail Insurance'")
                        .query(String.class)
                        .single());
    }

    /** The network keeps sub-IDs of ten digits; its postback address is pasted at it. */
    private void connect() {
        HttpResponse<String> added = person.form(
                "/setup/networks/new",
                "/setup/networks/new",
                "name",
                "Sail Net",
                "source",
                source(),
                "pattern",
                "http://localhost:" + network.port() + "/offer",
                "parameter",
                "s1",
                "alphabet",
                "digits",
                "maxLength",
                "10",
                "kind",
                "purchase",
                "sub",
                "[s1]",
                "reference",
                "[sale]",
                "value",
                "[amount]",
                "commission",
                "[fee]",
                "status",
                "[state]",
                "pays",
                "yes",
                "paysAfterDays",
                "30");
        assertThat(added.statusCode()).as(added.body()).isEqualTo(302);
        String page = person.get(
                        added.headers().firstValue("Location").orElseThrow().replaceFirst("^https?://[^/]+", ""))
                .body();
        Matcher address = Pattern.compile(">([^<]*/t/postback/[^<]*)<").matcher(page);
        assertThat(address.find()).isTrue();
        String postback = address.group(1).replace("&amp;", "&").replaceFirst("^https?://[^/]+", "");
        at("/postback", "address", "http://localhost:" + port + postback);
        await("links carry the sub-ID", () -> led().contains("s1="));
    }

    private String led() {
        led++;
        return http().visit(tenant.host(), slug)
                .headers()
                .firstValue("Location")
                .orElseThrow();
    }

    private void at(String path, String... fields) {
        http().on(network.port()).form("/", path, fields);
    }

    private void sell(String amount) {
        at("/sale", "s1", led().replaceFirst(".*s1=", ""), "amount", amount);
    }

    private String income(String reference) {
        return in(
                tenant,
                () -> jdbc.sql("""
                        select concat_ws(' ', i.state, i.commission_minor, i.sale_minor, o.value_minor, o.status)
                        from income i join outcome o on o.id = i.id where o.reference = ?
                        """)
                        .param(reference)
                        .query(String.class)
                        .optional()
                        .orElse("none"));
    }

    @Test
    void a_network_promises_approves_declines_and_pays() {
        sell("12.50");
        sell("40.00");
        sell("8.00");
        assertThat(income("N-7001")).isEqualTo("pending 125 1250 0 open");
        at("/state", "sale", "N-7001", "state", "approved");
        at("/state", "sale", "N-7002", "state", "rejected");
        at("/state", "sale", "N-7003", "state", "paid");
        assertThat(income("N-7001")).isEqualTo("approved 125 1250 0 confirmed");
        assertThat(income("N-7002")).isEqualTo("declined 400 4000 0 cancelled");
        assertThat(income("N-7003")).isEqualTo("paid 80 800 0 confirmed");
        String page = person.get(PAGE).body();
        assertThat(page)
                .contains(
                        "Networks earned you £2.05",
                        "£0.80 of it is paid",
                        "£0.00 more is pending",
                        "£4.00 was declined")
                .contains("Arrived at the bank")
                .doesNotContain("Sub-IDs of nobody: 1");
    }

    @Test
    void income_is_revenue_where_compare_is_asked_for_it_and_never_with_sales_by_itself() {
        sell("12.50");
        at("/state", "sale", "N-7001", "state", "approved");
        sell("99.00");
        await(
                "both are credited to the newsletter",
                () -> count(tenant, "select count(distinct outcome_id) from credit") == 2);
        http().post(
                        tenant.apiKey(),
                        "/api/v1/outcomes",
                        "{\"kind\": \"purchase\", \"reference\": \"P-1\", \"value\": \"70\"}");
        assertThat(person.get("/compare?kind=purchase").body())
                .contains("£70.00")
                .doesNotContain("£1.25", "£71.25");
        assertThat(person.get("/compare?kind=purchase&revenue=income").body())
                .contains("£1.25", "pending is left out")
                .doesNotContain("£70.00", "£71.25");
        assertThat(person.get("/compare?kind=purchase&revenue=both").body())
                .contains("£71.25", "customers pay you and what networks approved");
    }

    /** Every model shares it out to the penny, whatever the shares are. */
    @Test
    void what_touches_share_adds_up_to_the_commission() {
        for (int i = 0; i < 3; i++) {
            sell("%d.37".formatted(3 + i));
            at("/state", "sale", "N-700" + (i + 1), "state", "approved");
        }
        await("all are credited", () -> count(tenant, "select count(distinct outcome_id) from credit") == 3);
        long told = count(tenant, "select sum(commission_minor) from income");
        for (ModelName model : ModelName.values()) {
            CompareChoice choice = CompareChoice.usual().with(model).with(Revenue.INCOME);
            RevenueSql sql = RevenueSql.of(choice);
            assertThat(count(tenant, "select sum(c.%s) from %s".formatted(sql.minor(), sql.credit())))
                    .as(model.key())
                    .isEqualTo(told);
        }
    }

    @Test
    void a_report_is_held_against_what_was_promised_and_paid() {
        sell("12.50");
        sell("40.00");
        at("/sale", "s1", "999999", "amount", "5.00");
        OutcomeFiles files = new OutcomeFiles(person);
        String file = files.bring("""
                Transaction ID;Amount;Commission;Status
                N-7001;12,50;0,99;paid
                X-1;20,00;2,00;paid
                X-2;20,00;a lot;paid
                """.getBytes(StandardCharsets.UTF_8), "October.csv");
        files.check(file, "kind", "purchase", "partner", source());
        assertThat(person.get(file).body()).contains("a lot");
        files.run(file);
        await("it is imported", () -> income("X-1").equals("paid 200 2000 0 confirmed"));
        assertThat(income("N-7001")).isEqualTo("paid 99 1250 0 confirmed");
        in(
                tenant,
                () -> jdbc.sql("update income set expected_on = current_date - 1 where state = 'pending'")
                        .update());
        String page = person.get(PAGE).body();
        assertThat(page)
                .contains("Reported, never paid: 2", "Paid, never reported: 1", "Amounts that changed: 1", "was £1.25")
                .contains("Sub-IDs of nobody: 2", "October.csv", "£2.99 for 2 outcomes");
        String id = in(
                tenant,
                () -> jdbc.sql("select id::text from partner_network")
                        .query(String.class)
                        .single());
        String statements = PAGE + "/" + id + "/statements";
        assertThat(person.form(PAGE, statements, "statement", "October.csv", "bank", "lots")
                        .statusCode())
                .isEqualTo(422);
        person.form(PAGE, statements, "statement", "October.csv", "bank", "2.50");
        assertThat(person.get(PAGE).body()).contains("The bank differs by -£0.49.");
        person.form(PAGE, statements, "statement", "October.csv", "bank", "2.99");
        assertThat(person.get(PAGE).body()).contains("The bank agrees.");
        assertThat(person.form(PAGE, statements, "statement", "November", "bank", "1")
                        .statusCode())
                .isEqualTo(404);
    }

    @Test
    void undoing_a_report_puts_income_back_to_what_it_was_before() {
        sell("12.50");
        sell("40.00");
        OutcomeFiles files = new OutcomeFiles(person);
        String file = files.bring("""
                Transaction ID;Amount;Commission;Status
                N-7001;12,50;0,99;paid
                N-7002;40,00;3,00;approved
                X-1;20,00;2,00;paid
                """.getBytes(StandardCharsets.UTF_8), "November.csv");
        files.check(file, "kind", "purchase", "partner", source());
        files.run(file);
        await("it is imported", () -> income("X-1").startsWith("paid 200"));
        assertThat(income("N-7001")).isEqualTo("paid 99 1250 0 confirmed");
        at("/state", "sale", "N-7002", "state", "rejected");
        person.form(file, file + "/undo");
        assertThat(income("N-7001")).isEqualTo("pending 125 1250 0 open");
        assertThat(income("N-7002")).as("the network said more since").startsWith("declined");
        assertThat(income("X-1")).isEqualTo("none");
        assertThat(person.get(PAGE).body()).doesNotContain("November.csv");
    }

    @Test
    void visits_sent_out_are_counted_by_link_and_what_one_earns_is_told() {
        for (int i = 0; i < 6; i++) {
            sell("30.00");
            at("/state", "sale", "N-700" + (i + 1), "state", "approved");
        }
        await("the visits are stored", () -> count(tenant, "select count(*) from visit where kind = 'person'") >= 7);
        String page = person.get(PAGE + "?by=link").body();
        assertThat(page).contains("Visits sent out", "£18.00", "Per visit");
        for (String by : new String[] {"network", "page", "source", "product"}) {
            assertThat(person.get(PAGE + "?by=" + by).body()).contains("£18.00");
        }
        assertThat(person.get(PAGE + "?by=nonsense").statusCode()).isEqualTo(200);
    }

    @Test
    void a_link_on_ones_own_page_is_worth_what_a_visit_to_the_network_earns() {
        for (int i = 0; i < 6; i++) {
            sell("30.00");
            at("/state", "sale", "N-700" + (i + 1), "state", "approved");
        }
        await("the visits are stored", () -> count(tenant, "select count(*) from visit where kind = 'person'") == led);
        String each = String.format(Locale.UK, "£%.2f", 18.0 / led);
        String three = String.format(Locale.UK, "£%.2f", 54.0 / led);
        String id = in(
                tenant,
                () -> jdbc.sql("select id::text from partner_network")
                        .query(String.class)
                        .single());
        assertThat(person.get("/setup/outgoing").body()).contains("Sail Net: " + each);
        person.form("/setup/outgoing", "/setup/outgoing", "name", "Cover", "pattern", "cover.example", "network", id);
        for (int visitor = 1; visitor <= 3; visitor++) {
            http().send(http().request("/t/outgoing")
                    .header("Host", tenant.host())
                    .header("Content-Type", "text/plain")
                    .header("Origin", SITE)
                    .POST(HttpRequest.BodyPublishers.ofString("""
                            {"site": "%s", "visitor": "%032d", "page": "%s/a", "address": "https://cover.example/b"}
                            """.formatted(tenant.siteKey(), visitor, SITE))));
        }
        assertThat(person.get("/links/outgoing").body())
                .contains("3 outgoing links were followed, worth " + three)
                .containsSubsequence("site.example/a", "Cover", three);
        assertThat(person.get("/setup/outgoing").body())
                .contains("Sail Net: earnings per visit, from %d visits".formatted(led), each);
    }

    @Test
    void a_split_test_is_judged_by_income() {
        String link = "/links/"
                + in(
                        tenant,
                        () -> jdbc.sql("select id from link where slug = ?")
                                .param(slug)
                                .query(String.class)
                                .single())
                + "/leads";
        person.form(link, link + "/split", "address0", "localhost:" + network.port() + "/offer/b", "percent0", "1");
        for (int i = 0; i < 3; i++) {
            sell("30.00");
            at("/state", "sale", "N-700" + (i + 1), "state", "approved");
        }
        await(
                "all are credited to their visits",
                () -> person.get("/compare/splits?revenue=income").body().contains("£9.00"));
        String page = person.get("/compare/splits?revenue=income").body();
        assertThat(page)
                .contains("Income that networks approved", "Per person, 95%", "Income</th>")
                .contains("Still running");
        assertThat(person.get("/compare/splits?kind=purchase").body()).doesNotContain("£9.00");
    }

    @Test
    void a_commission_that_is_no_amount_is_told_to_the_network() {
        String address = in(
                tenant,
                () -> jdbc.sql("select token from partner_network")
                        .query(String.class)
                        .single());
        HttpResponse<String> answer =
                http().get("/t/postback/%s?sub=1&reference=Z-1&commission=much".formatted(address));
        assertThat(answer.body()).contains("commission");
        assertThat(income("Z-1")).isEqualTo("none");
    }
}
