package wendo.app.browser;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Download;
import com.microsoft.playwright.Page;
import java.nio.file.Files;
import java.time.LocalDate;
import java.time.YearMonth;
import java.time.ZoneId;
import java.util.List;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import wendo.standins.PartnerNetwork;

/** Somebody with followers registers, is approved, shares a code, and is paid; they see all of it on a phone. */
@Tag("browser")
class PartnerJourneyTest extends Journey {
    private static final ZoneId LONDON = ZoneId.of("Europe/London");
    private static final LocalDate LAST_MONTH =
            YearMonth.now(LONDON).minusMonths(1).atDay(12);

    private Tenant tenant;

    @BeforeEach
    void open() {
        tenant = tenant("Dabchick Dinghies");
        http().issue(tenant.apiKey(), "https://dabchick.example/", "Spring", "Postcards");
        signIn(1280, 800, tenant.email());
    }

    @AfterEach
    void nothing_went_wrong_on_the_way() {
        browser.close();
        assertThat(browser.complaints.stream()
                        .filter(complaint -> !complaint.contains("422"))
                        .toList())
                .isEmpty();
    }

    private void order(String reference, String value, String more) {
        int status = http().post(tenant.apiKey(), "/api/v1/outcomes", """
                        {"kind": "purchase", "reference": "%s", "value": "%s", "code": "INES10", "occurredAt": "%s"%s}
                        """.formatted(
                                reference,
                                value,
                                LAST_MONTH.atTime(12, 0).atZone(LONDON).toInstant(),
                                more))
                .statusCode();
        assertThat(status).isIn(200, 201);
    }

    @Test
    void an_influencer_registers_shares_a_code_and_is_paid() throws Exception {
        go("/partners/registrations");
        page.getByLabel("Introduction").fill("Share a code, get a tenth.");
        button("Open form");
        assertThat(Browser.axe(page)).isEmpty();
        String form = page.locator("code").first().innerText();

        Page phone = browser.page(390, 844);
        phone.navigate("http://localhost:" + port + form.replaceFirst("^https?://[^/]+", ""));
        assertThat(phone.locator("h1")).hasText("Become a partner of Dabchick Dinghies");
        phone.getByLabel("Business or channel name").fill("Ines Afloat");
        phone.getByLabel("Your name").fill("Ines Ibarra");
        phone.getByLabel("E-mail").fill("nowhere");
        assertThat(Browser.axe(phone)).isEmpty();
        press(phone, "Send");
        assertThat(phone.locator("#email-fault")).containsText("e-mail address");
        phone.getByLabel("E-mail").fill("ines@" + tenant.host().replace(".localhost", "") + ".example");
        press(phone, "Send");
        assertThat(phone.locator("main")).containsText("Thank you");

        go("/partners/registrations");
        assertThat(page.locator("h1")).hasText("1 partner waits for approval");
        page.getByLabel("Code", new Page.GetByLabelOptions().setExact(true)).fill("INES10");
        button("Approve");
        assertThat(page.locator("h1")).hasText("Ines Afloat");
        String partner = page.url().replaceFirst(".*(/partners/[^?]*).*", "$1");
        go(partner + "/terms");
        page.getByLabel("First day").fill(LAST_MONTH.minusMonths(1).toString());
        page.locator("[name='rate.purchase']").fill("10%");
        button("Save terms");

        order("P-1", "120.00", "");
        order("P-2", "60.00", "");
        await("both earn", () -> count(tenant, "select count(*) from commission_line where minor > 0") == 2);
        order("P-2", "60.00", ", \"status\": \"refunded\", \"refunded\": \"60.00\"");
        await("one is taken back", () -> count(tenant, "select sum(minor) from commission_line") == 1200);

        go(partner + "/details");
        page.getByText("Bank account", new Page.GetByTextOptions().setExact(true))
                .click();
        page.getByLabel("IBAN").fill("NL91 ABNA 0417 1643 00");
        page.getByLabel("Name on the account").fill("Ines Ibarra");
        button("Save payout");
        comes("select count(*) from partner where iban <> ''");
        go("/partners/payments");
        assertThat(Browser.axe(page)).isEmpty();
        page.locator("form[action$='/account'] [name='name']").fill("Dabchick Dinghies");
        page.locator("form[action$='/account'] [name='iban']").fill("DE89 3704 0044 0532 0130 00");
        page.locator("form[action$='/account'] button").click();
        comes("select count(*) from payout_account");
        go("/partners/payments");
        page.locator("form[action$='/payments/statements'] button").click();
        comes("select count(*) from partner_statement");
        go("/partners/payments");
        assertThat(page.locator("main")).containsText("Ines Afloat");
        page.locator("form[action$='/payments/orders'] button.main").click();
        comes("select count(*) from payout");
        go("/partners/payments");
        Download file =
                page.waitForDownload(() -> page.locator("a[href$='.xml']").click());
        assertThat(Files.readString(file.path())).contains("pain.001.001.09", "NL91ABNA0417164300", "Ines Ibarra");
        button("Mark as paid");
        comes("select count(*) from payout where state = 'paid'");

        go(partner + "/details");
        String own = page.locator("a[href*='/t/partners/']").first().getAttribute("href");
        phone.navigate("http://localhost:" + port + own);
        assertThat(phone.locator("main")).containsText("INES10");
        assertThat(phone.locator("main")).containsText("P-1");
        assertThat(phone.locator("main")).containsText("£12.00");
        assertThat(Browser.axe(phone)).isEmpty();
        assertThat((Integer) phone.evaluate("document.documentElement.scrollWidth - innerWidth"))
                .isZero();
        phone.locator("button[data-copy='INES10']").click();
        assertThat(phone.locator("button[data-copy='INES10']")).containsText("Copied");
        phone.getByLabel("Number", new Page.GetByLabelOptions().setExact(true)).fill("P-99");
        press(phone, "Send claim");
        assertThat(phone.locator("#claims")).containsText("waiting for an answer");
        go(partner + "/exchange");
        assertThat(page.locator("main")).containsText("P-99");
        assertThat(Browser.axe(page)).isEmpty();
        button("Decline");
        assertThat(page.locator("main")).containsText("Say why");
        page.getByLabel("Reason").fill("We know no such order.");
        button("Decline");
        phone.reload();
        assertThat(phone.locator("#claims")).containsText("We know no such order.");
    }

    /** The owner connects a network, somebody buys there on a phone, the network approves and pays, the bank agrees. */
    @Test
    void a_network_pays_for_visits_that_were_sent_to_it() throws Exception {
        try (PartnerNetwork network = PartnerNetwork.start(0)) {
            String its = "http://localhost:" + network.port();
            String slug = http().issue(tenant.apiKey(), its + "/offer", "Spring", "Sail Insurance")
                    .get(0);
            go("/setup/networks/new");
            page.locator("[name='name']").fill("Fairlead");
            page.locator("[name='source']").selectOption("Sail Insurance");
            page.locator("[name='pattern']").fill(its + "/offer");
            page.locator("[name='parameter']").fill("s1");
            page.locator("[name='alphabet']").selectOption("digits");
            page.locator("[name='maxLength']").fill("10");
            page.locator("[name='kind']").selectOption("purchase");
            for (String field :
                    List.of("sub:[s1]", "reference:[sale]", "value:[amount]", "commission:[fee]", "status:[state]")) {
                page.locator("[name='%s']".formatted(field.split(":")[0])).fill(field.split(":")[1]);
            }
            page.locator("[name='pays']").check();
            button("Save");
            String postback =
                    page.locator("code:has-text('/t/postback/')").first().innerText();
            Page desk = browser.page(1280, 800);
            desk.navigate(its);
            desk.getByLabel("Postback address")
                    .fill(postback.replaceFirst("^https?://[^/]+", "http://localhost:" + port));
            press(desk, "Keep");

            Page phone = browser.page(390, 844);
            await("links carry its sub-ID", () -> {
                phone.navigate("http://%s:%d/%s".formatted(tenant.host(), port, slug));
                return phone.url().contains("s1=");
            });
            phone.getByLabel("Pays").fill("84.00");
            press(phone, "Buy it");
            desk.reload();
            press(desk, "Approve");
            comes("select count(*) from income where state = 'approved' and commission_minor = 840");
            go("/partners/income");
            assertThat(page.locator("h1")).hasText("Networks earned you £8.40");
            assertThat(Browser.axe(page)).isEmpty();
            desk.navigate(its);
            press(desk, "Pay");
            comes("select count(*) from income where state = 'paid'");
            page.reload();
            page.locator("#statements [name='bank']").first().fill("8.40");
            page.locator("#statements button").first().click();
            assertThat(page.locator("#statements")).containsText("The bank agrees.");
            page.getByLabel("By", new Page.GetByLabelOptions().setExact(true)).selectOption("link");
            assertThat(page.locator("main")).containsText("Earned by link");
            Download file = page.waitForDownload(
                    () -> page.locator("a[href*='income.csv']").click());
            assertThat(Files.readString(file.path())).contains("Sail Insurance", "8.40");
            page.setViewportSize(390, 844);
            assertThat((Integer) page.evaluate("document.documentElement.scrollWidth - innerWidth"))
                    .isZero();
        }
        browser.complaints.removeIf(complaint -> complaint.contains("favicon"));
    }

    /** What was sent has arrived. */
    private void comes(String counted) {
        await(counted, () -> count(tenant, counted) == 1);
    }

    private static void press(Page page, String name) {
        page.getByText(name, new Page.GetByTextOptions().setExact(true)).click();
    }
}
