package wendo.app.money.partners;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.http.HttpResponse;
import java.time.Duration;
import java.time.LocalDate;
import java.time.YearMonth;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.UUID;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import wendo.app.Http;
import wendo.app.WendoTest;
import wendo.app.platform.accounts.Accounts;
import wendo.app.platform.accounts.Role;
import wendo.app.prepare.sources.Sources;

/** The whole road: terms, outcomes by link and by code, refunds, statements, payments, and what Compare calls spend. */
class CommissionTest extends WendoTest {
    private static final ZoneId LONDON = ZoneId.of("Europe/London");
    private static final LocalDate TODAY = LocalDate.now(LONDON);

    /** On a day of the last month that each month has. */
    private static final LocalDate LAST_MONTH =
            YearMonth.from(TODAY).minusMonths(1).atDay(12);

    @Autowired
    private Commissions commissions;

    @Autowired
    private Partners partners;

    @Autowired
    private Sources sources;

    @Autowired
    private Accounts accounts;

    private Tenant tenant;
    private Http owner;
    private String campsite;
    private List<String> slugs;

    @BeforeEach
    void open() {
        tenant = tenant("Whimbrel Walks");
        owner = http().signIn(tenant.email());
        assertThat(owner.form("/partners", "/partners", "name", "Campsite").statusCode())
                .isEqualTo(302);
        slugs = http().issue(tenant.apiKey(), "https://whimbrel.example/", "Spring", "Campsite");
        campsite = in(
                tenant,
                () -> Objects.requireNonNull(sources.byIdentifierAndTag().get("campsite"))
                        .id()
                        .toString());
    }

    private HttpResponse<String> agree(String... fields) {
        String path = "/partners/%s/terms".formatted(campsite);
        return owner.form(path, path, fields);
    }

    private void report(String json) {
        HttpResponse<String> answer = http().post(tenant.apiKey(), "/api/v1/outcomes", json);
        assertThat(answer.statusCode()).as(answer.body()).isIn(200, 201);
    }

    private void bookingWithCode(String reference, String value, LocalDate day, String more) {
        report("""
                {"kind": "booking", "reference": "%s", "value": "%s", "code": "REED10", "occurredAt": "%s"%s}
                """.formatted(reference, value, day.atStartOfDay(LONDON).toInstant(), more));
    }

    private void code(String code) {
        assertThat(owner.form("/partners/" + campsite, "/partners/%s/codes".formatted(campsite), "code", code)
                        .statusCode())
                .isEqualTo(302);
    }

    private List<String> lines() {
        return in(tenant, () -> jdbc.sql("""
                                select concat_ws(' ', reference, kind, minor, reason) from commission_line
                                order by reference, day, kind desc
                                """).query(String.class).list());
    }

    private void linesBecome(String... wanted) {
        try {
            await("the lines are " + List.of(wanted), () -> lines().equals(List.of(wanted)));
        } catch (AssertionError e) {
            assertThat(lines()).containsExactly(wanted);
        }
    }

    private static String ten() {
        return LAST_MONTH.minusMonths(3).toString();
    }

    @Test
    void a_code_earns_by_the_terms_of_codes_and_a_link_without_terms_earns_nothing() {
        code("REED10");
        assertThat(agree("way", "code", "firstDay", ten(), "rate.booking", "10%", "heldDays", "14")
                        .statusCode())
                .isEqualTo(302);
        bookingWithCode("B-1", "120.05", LAST_MONTH, "");
        await(
                "the link is known",
                () -> http().visit(tenant.host(), slugs.get(0)).statusCode() == 302);
        String click = Http.click(http().visit(tenant.host(), slugs.get(0)));
        report("{\"kind\": \"booking\", \"reference\": \"B-2\", \"value\": \"80\", \"clickId\": \"%s\"}"
                .formatted(click));
        report("{\"kind\": \"lead\", \"reference\": \"L-1\", \"code\": \"REED10\"}");
        linesBecome("B-1 earned 1201 by_terms", "L-1 earned 0 not_agreed");
        await(
                "the visit is stored, and the booking by the link is known",
                () -> count(tenant, "select count(*) from partner_outcome") == 3);
        String page = owner.get("/partners/%s?from=%s&to=%s".formatted(campsite, LAST_MONTH, TODAY))
                .body();
        assertThat(page).contains("10% of £120.05", "this kind is not in the terms", "1 outcome that earns nothing");
        assertThat(page).contains("no terms for how it came");
    }

    @Test
    void terms_are_tried_out_before_they_are_saved_and_change_nothing_before_their_first_day() {
        code("REED10");
        agree("way", "code", "firstDay", ten(), "rate.booking", "10%");
        bookingWithCode("B-1", "100", LAST_MONTH, "");
        linesBecome("B-1 earned 1000 by_terms");
        HttpResponse<String> tried =
                agree("way", "code", "firstDay", TODAY.toString(), "rate.booking", "15%", "try", "yes");
        assertThat(tried.statusCode()).isEqualTo(200);
        assertThat(tried.body()).contains("would have cost £15.00; the terms as they were cost £10.00");
        assertThat(agree("way", "code", "firstDay", TODAY.toString(), "rate.booking", "15%")
                        .statusCode())
                .isEqualTo(302);
        bookingWithCode("B-2", "100", TODAY, "");
        linesBecome("B-1 earned 1000 by_terms", "B-2 earned 1500 by_terms");
    }

    @Test
    void a_refund_of_this_month_for_an_outcome_of_the_last_is_a_line_of_its_own() {
        code("REED10");
        agree("way", "code", "firstDay", ten(), "rate.booking", "10%");
        bookingWithCode("B-1", "100", LAST_MONTH, "");
        linesBecome("B-1 earned 1000 by_terms");
        bookingWithCode("B-1", "100", LAST_MONTH, ", \"status\": \"refunded\", \"refunded\": \"40\"");
        linesBecome("B-1 earned 1000 by_terms", "B-1 adjusted -400 by_terms");
    }

    @Test
    void a_statement_is_frozen_and_what_comes_later_is_on_the_next() {
        code("REED10");
        agree("way", "code", "firstDay", ten(), "rate.booking", "10%");
        bookingWithCode("B-1", "100", LAST_MONTH, "");
        bookingWithCode("B-2", "50", TODAY, "");
        linesBecome("B-1 earned 1000 by_terms", "B-2 earned 500 by_terms");
        owner.form(
                "/partners/payments",
                "/partners/payments/statements",
                "month",
                YearMonth.from(LAST_MONTH).toString());
        String statement = owner.get("/partners/statements/1").body();
        assertThat(statement).contains("Statement 1: Campsite", "B-1", "£10.00").doesNotContain("B-2");
        String frozen = owner.get("/partners/statements/1/statement.csv").body();
        bookingWithCode("B-1", "100", LAST_MONTH, ", \"status\": \"cancelled\"");
        linesBecome("B-1 earned 1000 by_terms", "B-1 adjusted -1000 by_terms", "B-2 earned 500 by_terms");
        bookingWithCode("B-3", "70", LAST_MONTH, "");
        await(
                "what is told late counts on the first open day",
                () -> count(
                                tenant,
                                "select count(*) from commission_line where reference = 'B-3' and day = date '%s' and minor = 700"
                                        .formatted(YearMonth.from(TODAY).atDay(1)))
                        == 1);
        String csv = owner.get("/partners/statements/1/statement.csv").body();
        assertThat(csv).isEqualTo(frozen);
        assertThat(csv.lines()).hasSize(2);
        assertThat(csv).contains("10% of £100.00").contains("10.00");
        assertThat(paper(owner.bytes(owner.request("/partners/statements/1/statement.pdf"))))
                .containsOnlyOnce("Closing balance")
                .containsOnlyOnce("10% of £100.00");
        assertThat(owner.get("/partners/statements/2").statusCode()).isEqualTo(404);
    }

    private static String paper(byte[] pdf) {
        try (PDDocument document = Loader.loadPDF(pdf)) {
            return new PDFTextStripper().getText(document);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    @Test
    void nothing_is_paid_twice() {
        code("REED10");
        agree("way", "code", "firstDay", ten(), "rate.booking", "10%");
        bookingWithCode("B-1", "1000", LAST_MONTH, "");
        linesBecome("B-1 earned 10000 by_terms");
        String path = "/partners/%s/statements".formatted(campsite);
        String pay = "/partners/%s/payments".formatted(campsite);
        assertThat(owner.form(path, pay, "amount", "1.00", "paidOn", TODAY.toString())
                        .statusCode())
                .as("what is on no statement is not payable")
                .isEqualTo(422);
        owner.form("/partners/payments", "/partners/payments/statements");
        assertThat(owner.form(path, pay, "amount", "40.00", "paidOn", TODAY.toString())
                        .statusCode())
                .isEqualTo(302);
        assertThat(owner.form(path, pay, "amount", "60.01", "paidOn", TODAY.toString())
                        .body())
                .contains("more than is payable");
        owner.form(
                "/partners/%s/details".formatted(campsite),
                "/partners/%s/payout".formatted(campsite),
                "payout",
                "iban",
                "accountName",
                "Campsite Ltd",
                "iban",
                "NL91 ABNA 0417 1643 00");
        owner.form(
                "/partners/payments",
                "/partners/payments/account",
                "name",
                "Whimbrel Walks",
                "iban",
                "DE89370400440532013000");
        owner.form("/partners/payments", "/partners/payments/orders", "payOn", TODAY.toString());
        owner.form("/partners/payments", "/partners/payments/orders", "payOn", TODAY.toString());
        assertThat(count(tenant, "select sum(amount_minor) from partner_payment where state <> 'cancelled'"))
                .isEqualTo(10_000);
        assertThat(owner.form(path, pay, "amount", "0.01", "paidOn", TODAY.toString())
                        .statusCode())
                .isEqualTo(422);
        HttpResponse<String> file = owner.get("/partners/payments/orders/1.xml");
        assertThat(file.body())
                .contains("<InstdAmt Ccy=\"GBP\">60.00</InstdAmt>", "NL91ABNA0417164300", "pain.001.001.09");
        assertThat(owner.get("/partners/payments/orders/1.csv").body())
                .contains("Campsite Ltd,NL91ABNA0417164300,,60.00,%s,".formatted(TODAY));
        owner.form("/partners/payments", "/partners/payments/orders/1", "state", "paid");
        assertThat(owner.form("/partners/payments", "/partners/payments/orders/1", "state", "cancelled")
                        .statusCode())
                .isEqualTo(404);
        assertThat(owner.get("/partners/%s".formatted(campsite)).body()).contains("Paid");
        assertThat(count(tenant, "select count(*) from partner_payment where state = 'paid'"))
                .isEqualTo(2);
    }

    @Test
    void what_was_for_delivery_earns_nothing_where_the_terms_say_so() {
        code("REED10");
        agree("way", "code", "firstDay", ten(), "rate.booking", "10%", "withoutDelivery", "yes");
        bookingWithCode("B-1", "112.50", LAST_MONTH, ", \"delivery\": \"12.50\"");
        linesBecome("B-1 earned 1000 by_terms");
        bookingWithCode("B-1", "112.50", LAST_MONTH, ", \"delivery\": \"2.50\"");
        linesBecome("B-1 earned 1100 by_terms");
    }

    /** Three bookings a day from one browser are looked at, two are not. */
    @Test
    void many_outcomes_of_a_day_from_one_browser_are_marked() {
        agree("way", "link", "firstDay", ten(), "rate.booking", "10%");
        await(
                "the link is known",
                () -> http().visit(tenant.host(), slugs.get(0)).statusCode() == 302);
        String click = Http.click(http().visit(tenant.host(), slugs.get(0)));
        for (int i = 1; i <= 3; i++) {
            report("{\"kind\": \"booking\", \"reference\": \"B-%d\", \"value\": \"80\", \"clickId\": \"%s\"}"
                    .formatted(i, click));
            if (i == 2) {
                linesBecome("B-1 earned 800 by_terms", "B-2 earned 800 by_terms");
                assertThat(count(tenant, "select count(*) from commission_review"))
                        .isZero();
            }
        }
        linesBecome("B-1 earned 800 by_terms", "B-2 earned 800 by_terms", "B-3 earned 800 by_terms");
        assertThat(count(tenant, "select count(*) from commission_review where reason = 'many' and said = '3'"))
                .isEqualTo(3);
        assertThat(owner.get("/partners/" + campsite).body()).contains("3 on one day from one browser");
    }

    @Test
    void a_partner_is_not_merged_away_and_what_is_merged_into_it_earns() {
        agree("way", "link", "firstDay", ten(), "rate.booking", "10%");
        String kamp = http().issue(tenant.apiKey(), "https://whimbrel.example/", "Spring", "Kamp site")
                .get(0);
        await("the link is known", () -> http().visit(tenant.host(), kamp).statusCode() == 302);
        String click = Http.click(http().visit(tenant.host(), kamp));
        report("{\"kind\": \"booking\", \"reference\": \"B-1\", \"value\": \"80\", \"clickId\": \"%s\"}"
                .formatted(click));
        await(
                "it is credited",
                () -> count(tenant, "select count(*) from outcome_clue where source_id is not null") == 1);
        String other = in(
                tenant,
                () -> jdbc.sql("select id::text from source where name = 'Kamp site'")
                        .query(String.class)
                        .single());
        String away = "/setup/sources/" + campsite;
        assertThat(owner.form(away, away + "/merge", "into", other, "reason", "", "confirmed", "true")
                        .body())
                .contains("This source is a partner");
        String into = "/setup/sources/" + other;
        assertThat(owner.form(into, into + "/merge", "into", campsite, "reason", "", "confirmed", "true")
                        .statusCode())
                .isEqualTo(302);
        linesBecome("B-1 earned 800 by_terms");
    }

    /** By an independent statement: lines, statements and what Compare calls spend are one sum. */
    @Test
    void compare_counts_commission_as_the_partners_spend() {
        code("REED10");
        agree("way", "both", "firstDay", ten(), "rate.booking", "7.5%", "mostPerOutcome", "9.00");
        bookingWithCode("B-1", "100.01", LAST_MONTH, "");
        bookingWithCode("B-2", "200", LAST_MONTH, "");
        linesBecome("B-1 earned 750 by_terms", "B-2 earned 900 capped");
        HttpResponse<String> answer = http().api(
                        tenant.apiKey(),
                        "/api/v1/compare?from=%s&to=%s".formatted(LAST_MONTH.withDayOfMonth(1), TODAY));
        assertThat(Http.json(answer).get("total").get("spend").decimalValue()).isEqualByComparingTo("16.50");
        owner.form("/partners/payments", "/partners/payments/statements");
        assertThat(count(tenant, "select closing_minor from partner_statement")).isEqualTo(1650);
        assertThat(count(tenant, """
                        select sum(least(900, round(o.kept_minor * 0.075))) from outcome o where o.code_key = 'REED10'
                        """)).isEqualTo(1650);
    }

    @Test
    void of_two_partners_the_stronger_evidence_earns_and_the_other_ones_page_says_why_not() {
        code("REED10");
        agree("way", "both", "firstDay", ten(), "rate.booking", "10%");
        owner.form("/partners", "/partners", "name", "Guest house");
        slugs = http().issue(tenant.apiKey(), "https://whimbrel.example/", "Spring", "Guest house");
        UUID house = in(
                tenant,
                () -> Objects.requireNonNull(sources.byIdentifierAndTag().get("guest-house"))
                        .id());
        String path = "/partners/%s/terms".formatted(house);
        owner.form(path, path, "way", "both", "firstDay", ten(), "rate.booking", "5%");
        await(
                "the link is known",
                () -> http().visit(tenant.host(), slugs.get(0)).statusCode() == 302);
        String click = Http.click(http().visit(tenant.host(), slugs.get(0)));
        report(
                "{\"kind\": \"booking\", \"reference\": \"B-9\", \"value\": \"100\", \"code\": \"REED10\", \"clickId\": \"%s\"}"
                        .formatted(click));
        linesBecome("B-9 earned 500 by_terms");
        assertThat(owner.get("/partners/" + campsite).body())
                .contains("another partner has the stronger evidence", "B-9");
        assertThat(owner.get("/partners/" + house).body()).contains("by their link");
    }

    @Test
    void the_partners_own_order_is_marked_and_earns_until_somebody_decides() {
        code("REED10");
        agree("way", "code", "firstDay", ten(), "rate.booking", "10%");
        String details = "/partners/%s/details".formatted(campsite);
        assertThat(owner.form(details, details, "email", "Reed@Campsite.Example", "language", "en")
                        .statusCode())
                .isEqualTo(302);
        bookingWithCode("B-1", "100", LAST_MONTH, ", \"email\": \"reed@campsite.example\"");
        linesBecome("B-1 earned 1000 by_terms");
        String page = owner.get("/partners/" + campsite).body();
        assertThat(page).contains("their own e-mail or phone");
        UUID review = in(
                tenant,
                () -> jdbc.sql("select id from commission_review")
                        .query(UUID.class)
                        .single());
        owner.form(
                "/partners/" + campsite,
                "/partners/%s/reviews/%s".formatted(campsite, review),
                "paid",
                "no",
                "version",
                "1");
        linesBecome();
        assertThat(owner.get("/partners/%s?from=%s&to=%s".formatted(campsite, LAST_MONTH, TODAY))
                        .body())
                .contains("somebody decided not to pay");
    }

    /** A hostile caller knows the address of one partner: nothing of another, and nothing of who bought. */
    @Test
    void the_partners_own_page_shows_its_side_alone_and_never_who_bought() {
        code("REED10");
        agree("way", "code", "firstDay", ten(), "rate.booking", "10%");
        bookingWithCode("B-1", "100", LAST_MONTH, ", \"email\": \"buyer@secret.example\", \"name\": \"Bo Buyer\"");
        linesBecome("B-1 earned 1000 by_terms");
        String details = "/partners/%s/details".formatted(campsite);
        owner.form(details, "/partners/%s/page".formatted(campsite), "values", "yes");
        owner.form("/partners", "/partners", "name", "Other partner");
        String token = in(
                tenant,
                () -> jdbc.sql("select page_token from partner where page_token is not null")
                        .query(String.class)
                        .single());
        assertThat(token).hasSize(22).matches("[\\w-]+");
        owner.form("/partners/payments", "/partners/payments/statements");
        Http anybody = http();
        HttpResponse<String> page = anybody.get("/t/partners/" + token);
        assertThat(page.statusCode()).isEqualTo(200);
        assertThat(page.body())
                .contains("B-1", "£10.00", "REED10", "10% of £100.00", "Campsite")
                .doesNotContain("secret.example", "Bo Buyer", "Other partner", "/outcomes/");
        assertThat(page.headers().firstValue("X-Robots-Tag")).hasValue("noindex, nofollow");
        assertThat(page.headers().firstValue("Cache-Control").orElse("")).contains("no-store");
        assertThat(anybody.get("/t/partners/%s/statement-1.pdf".formatted(token))
                        .headers()
                        .firstValue("Content-Type"))
                .hasValue("application/pdf");
        assertThat(anybody.get("/t/partners/%s/statement-2.pdf".formatted(token))
                        .statusCode())
                .isEqualTo(404);
        String link = in(
                tenant,
                () -> jdbc.sql("select id::text from link").query(String.class).single());
        assertThat(anybody.get("/t/partners/%s/code/%s.svg".formatted(token, link))
                        .body())
                .startsWith("<svg");
        assertThat(anybody.get("/t/partners/%s/code/%s.svg".formatted(token, UUID.randomUUID()))
                        .statusCode())
                .isEqualTo(404);
        owner.form(details, "/partners/%s/page".formatted(campsite), "page", "close");
        assertThat(anybody.get("/t/partners/" + token).statusCode()).isEqualTo(404);
        assertThat(anybody.get("/t/partners/" + token.toUpperCase(java.util.Locale.ROOT))
                        .statusCode())
                .isEqualTo(404);
    }

    /** Before anything is agreed, the last 90 days say what it would have cost. */
    @Test
    void terms_of_a_new_partner_are_tried_on_what_it_has_brought_already() {
        code("REED10");
        bookingWithCode("B-1", "200", LAST_MONTH, "");
        await(
                "it is known whose it is",
                () -> count(tenant, "select count(*) from partner_outcome where not earns") == 1);
        HttpResponse<String> tried =
                agree("way", "code", "firstDay", TODAY.toString(), "rate.booking", "15%", "try", "yes");
        assertThat(tried.body()).contains("had 1 outcome. These terms would have cost £30.00");
    }

    /** Everybody may know what partners earn; whom the business talks to, only those who may see contacts. */
    @Test
    void a_colleague_without_contacts_neither_sees_nor_finds_a_partners_contact() {
        String details = "/partners/%s/details".formatted(campsite);
        owner.form(details, details, "contact", "Rhea Reed", "email", "rhea@campsite.example", "language", "en");
        String email = "viewer@" + UUID.randomUUID() + ".example";
        in(tenant, () -> {
            accounts.join(accounts.register(email, "Vi", PASSWORD), Role.VIEWER);
            return true;
        });
        Http viewer = http().signIn(email);
        assertThat(owner.get("/partners?find=rhea").body()).contains("Rhea Reed");
        assertThat(viewer.get("/partners").body()).contains("Campsite").doesNotContain("Rhea Reed");
        assertThat(viewer.get("/partners?find=rhea").body()).contains("No partner matches");
        assertThat(viewer.get(details).statusCode()).isEqualTo(403);
    }

    /** One records what was paid while another makes an order: together they pay what is payable, once. */
    @Test
    void a_payment_and_an_order_at_once_pay_no_more_than_is_payable() throws Exception {
        code("REED10");
        agree("way", "code", "firstDay", ten(), "rate.booking", "10%");
        bookingWithCode("B-1", "1000", LAST_MONTH, "");
        linesBecome("B-1 earned 10000 by_terms");
        owner.form("/partners/payments", "/partners/payments/statements");
        owner.form(
                "/partners/%s/details".formatted(campsite),
                "/partners/%s/payout".formatted(campsite),
                "payout",
                "iban",
                "accountName",
                "Campsite Ltd",
                "iban",
                "NL91ABNA0417164300");
        ExecutorService two = Executors.newFixedThreadPool(2);
        try {
            String path = "/partners/%s/statements".formatted(campsite);
            Http other = http().signIn(tenant.email());
            Future<HttpResponse<String>> record = two.submit(() -> other.form(
                    path, "/partners/%s/payments".formatted(campsite), "amount", "100.00", "paidOn", TODAY.toString()));
            Future<HttpResponse<String>> order = two.submit(
                    () -> owner.form("/partners/payments", "/partners/payments/orders", "payOn", TODAY.toString()));
            assertThat(List.of(record.get(), order.get()))
                    .as("neither fails")
                    .allMatch(answer -> answer.statusCode() < 500);
        } finally {
            two.shutdown();
        }
        assertThat(count(tenant, "select sum(amount_minor) from partner_payment where state <> 'cancelled'"))
                .isEqualTo(10_000);
    }

    @Test
    void terms_are_agreed_while_outcomes_are_worked_out() {
        HttpResponse<String> agreed = in(tenant, () -> {
                    commissions.lock();
                    CompletableFuture<HttpResponse<String>> other = CompletableFuture.supplyAsync(
                            () -> agree("way", "code", "firstDay", ten(), "rate.booking", "5%"));
                    await("the other waits", this::isWaitedFor);
                    commissions.workOutAll(UUID.fromString(campsite));
                    return other;
                })
                .join();
        assertThat(agreed.statusCode()).as(agreed.body()).isEqualTo(302);
    }

    /** Java's order of identifiers is another one than the database's, by which statements and orders lock. */
    @Test
    void partners_are_worked_out_while_somebody_locks_them_one_after_the_other() {
        List<UUID> ids = new ArrayList<>(List.of(UUID.fromString(campsite)));
        while (ids.stream()
                        .map(id -> id.getMostSignificantBits() < 0)
                        .distinct()
                        .count()
                < 2) {
            ids.add(in(tenant, () -> partners.add("Partner " + ids.size(), "Ola")));
        }
        CompletableFuture<Void> worked = in(tenant, () -> {
            List<UUID> ordered = jdbc.sql("select id from partner order by id")
                    .query(UUID.class)
                    .list();
            lock(ordered.get(0));
            CompletableFuture<Void> other = CompletableFuture.runAsync(() -> in(tenant, () -> {
                commissions.workOutAll(ordered);
                return true;
            }));
            await("the other waits", this::isWaitedFor);
            lock(ordered.get(ordered.size() - 1));
            return other;
        });
        assertThat(worked).succeedsWithin(Duration.ofMinutes(1));
    }

    private void lock(UUID partner) {
        jdbc.sql("select id from partner where id = ? for no key update")
                .param(partner)
                .query(UUID.class)
                .single();
    }

    @Test
    void what_is_wrong_with_terms_is_told_beside_its_field() {
        HttpResponse<String> refused = agree(
                "way", "both", "firstDay", "nonsense", "rate.booking", "110%", "over.lead.1", "5", "heldDays", "-1");
        assertThat(refused.statusCode()).isEqualTo(422);
        assertThat(refused.body())
                .contains(
                        "Enter a share like 10% or an amount like 5.00",
                        "Choose a day",
                        "Enter whole days from 0 to 365",
                        "Enter the rate that the first outcome earns",
                        "value=\"110%\"");
        assertThat(agree("way", "both", "firstDay", ten()).body()).contains("Enter a rate for one kind at least");
    }
}
