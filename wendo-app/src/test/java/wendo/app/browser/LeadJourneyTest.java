package wendo.app.browser;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.assertions.LocatorAssertions;
import com.microsoft.playwright.options.FilePayload;
import com.microsoft.playwright.options.LoadState;
import java.nio.charset.StandardCharsets;
import java.util.List;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import wendo.app.Http;
import wendo.app.TestPost;
import wendo.standins.DemoSite;

/** From a form to a lead with a follow-up, and from a file to outcomes, in a browser. */
@Tag("browser")
class LeadJourneyTest extends Journey {
    private Tenant tenant;
    private DemoSite site;
    private String slug;

    @BeforeEach
    void open() throws Exception {
        tenant = tenant("Ternabout");
        site = DemoSite.start(0, "http://" + tenant.host() + ":" + port, tenant.siteKey());
        slug = http().issue(tenant.apiKey(), "http://localhost:" + site.port() + "/", "Spring", "Postcards")
                .get(0);
        signIn(1280, 800, tenant.email());
    }

    @AfterEach
    void nothing_went_wrong_on_the_way() {
        browser.close();
        site.close();
        assertThat(browser.complaints.stream()
                        .filter(complaint -> !complaint.contains("422"))
                        .toList())
                .isEmpty();
    }

    private String id(String sql) {
        return in(tenant, () -> jdbc.sql(sql).query(String.class).single());
    }

    @Test
    void a_form_before_the_page_brings_a_lead_that_is_answered_by_a_plan() {
        go("/setup/forms");
        page.getByText("New form").click();
        button("Save");
        assertThat(page.locator("#title-fault")).containsText("visitors see it");
        page.getByLabel("Title").fill("Ask about a group day");
        page.getByLabel("Form name").fill("Group days");
        page.getByLabel("Message: Required").check();
        button("Save");
        assertThat(page.locator("h1")).hasText("Group days");
        assertThat(Browser.axe(page)).isEmpty();

        go("/links/" + id("select id::text from link") + "/form");
        page.getByLabel("first, then on to the destination").check();
        page.getByLabel("Form", new Page.GetByLabelOptions().setExact(true)).selectOption("Group days");
        button("Save");
        assertThat(Browser.axe(page)).isEmpty();

        go("/setup/follow-up/new");
        page.getByLabel("Name", new Page.GetByLabelOptions().setExact(true)).fill("Thanks");
        page.locator("[name='subject.0']").fill("Ahoy {first name|sailor}");
        page.locator("[name='body.0']").fill("You came by {source}.");
        button("Save plan");
        assertThat(page.locator("h1")).hasText("Thanks");
        assertThat(Browser.axe(page)).isEmpty();
        go("/setup/handovers");
        assertThat(Browser.axe(page)).isEmpty();
        page.getByText("All leads", new Page.GetByTextOptions().setExact(true)).click();
        page.getByLabel("Follow-up plan").selectOption("Thanks");
        assertThat(Browser.axe(page)).isEmpty();
        button("Save");
        assertThat(page.locator("main")).containsText("Thanks");

        await(
                "the link host knows",
                () -> http().visit(tenant.host(), slug)
                        .headers()
                        .firstValue("Location")
                        .orElseThrow()
                        .startsWith("/t/forms"));
        in(
                tenant,
                () -> jdbc.sql("update business set cut_off = '23:59:59', quiet_from = '00:00', quiet_until = '00:00'")
                        .update());
        String email = tenant.host().replace(".localhost", "") + "@marsh.example";
        Page visitor = browser.page(390, 844);
        visitor.navigate("http://" + tenant.host() + ":" + port + "/" + slug);
        assertThat(visitor.locator("h1")).hasText("Ask about a group day");
        assertThat(Browser.axe(visitor)).isEmpty();
        visitor.getByLabel("Your name").fill("Ines Marsh");
        visitor.getByLabel("Your e-mail").fill(email);
        visitor.getByLabel("Your phone number").fill("12");
        visitor.getByLabel("What would you like to tell us").fill("Twelve of us, in June.");
        visitor.getByText("Send", new Page.GetByTextOptions().setExact(true)).click();
        assertThat(visitor.locator("#phone-fault")).containsText("not a phone number that can be dialled");
        assertThat(visitor.getByLabel("Your name")).hasValue("Ines Marsh");
        visitor.getByLabel("Your phone number").fill("07700 900123");
        visitor.getByText("Send", new Page.GetByTextOptions().setExact(true)).click();
        assertThat(visitor.locator("h1")).hasText("Sent");
        await("the mail goes out", () -> TestPost.instance().mailTo(email).size() == 1);

        go("/leads");
        page.locator("main tbody a").getByText("Ines Marsh").click();
        assertThat(page.locator("main")).containsText("Twelve of us, in June.");
        assertThat(page.locator("main")).containsText("Ahoy Ines");
        assertThat(page.locator("[data-section=leads]")).hasAttribute("aria-current", "page");
        assertThat(Browser.axe(page)).isEmpty();
        page.locator(".steps").getByText("Quoted").click();
        page.getByLabel("Quote, GBP").fill("1,250");
        button("Save stage");
        assertThat(page.locator("main")).containsText("quoted £1,250.00");
    }

    @Test
    void a_form_works_without_script() {
        go("/setup/forms/new");
        page.getByLabel("Title").fill("Ask us");
        page.getByLabel("Form name").fill("Plain");
        button("Save");
        Page visitor = browser.pageWithoutScript();
        visitor.navigate("http://" + tenant.host() + ":" + port + "/t/forms/" + id("select id::text from entry_form"));
        visitor.getByLabel("Your name").fill("Bo");
        visitor.getByLabel("Your e-mail").fill("bo@reed.example");
        visitor.getByText("Send", new Page.GetByTextOptions().setExact(true)).click();
        assertThat(visitor.locator("h1")).hasText("Sent");
        assertThat(count(
                        tenant,
                        "select count(*) from outcome where email = 'bo@reed.example' and reported_by = 'form'"))
                .isOne();
    }

    @Test
    void a_file_is_matched_looked_at_imported_and_undone() {
        go("/setup/codes");
        page.getByLabel("Text").fill("TERN-10");
        page.getByLabel("Source", new Page.GetByLabelOptions().setExact(true)).selectOption("Postcards");
        button("Add");
        assertThat(page.locator("main")).containsText("TERN-10");
        assertThat(Browser.axe(page)).isEmpty();
        go("/outcomes");
        page.getByText("From a file").click();
        page.locator("#file")
                .setInputFiles(new FilePayload(
                        "till.csv",
                        "text/csv",
                        "Order;Date;Total;Coupon\nT-1;31/05/2026;45,00;tern10\nT-2;31/05/2026;90,00;OTHER\n"
                                .getBytes(StandardCharsets.UTF_8)));
        assertThat(Browser.axe(page)).isEmpty();
        button("Upload");
        assertThat(page.locator("#amounts")).hasValue("comma");
        assertThat(Browser.axe(page)).isEmpty();
        button("Check rows");
        assertThat(page.locator("main")).containsText("1 unmatched");
        assertThat(Browser.axe(page)).isEmpty();
        button("Import the good rows");
        assertThat(page.getByText("Undo import"))
                .isVisible(new LocatorAssertions.IsVisibleOptions().setTimeout(20_000));
        await("the code earns", () -> count(tenant, "select count(*) from credit where last_touch_minor = 4500") == 1);
        page.setViewportSize(390, 844);
        for (String path :
                List.of("/outcomes/files", "/leads", "/setup/codes", "/setup/handovers", "/setup/forms/new")) {
            go(path);
            page.waitForLoadState(LoadState.DOMCONTENTLOADED);
            assertThat((int) page.evaluate("document.documentElement.scrollWidth - innerWidth"))
                    .as(path + " fits a phone")
                    .isLessThanOrEqualTo(0);
        }
        page.setViewportSize(1280, 800);
        go("/outcomes/files");
        page.getByText("till.csv").click();
        button("Undo import");
        assertThat(page.locator("[role=status]")).containsText("2 outcomes are as before.");
        assertThat(count(tenant, "select count(*) from outcome")).isZero();
    }

    private String form() {
        http().signIn(tenant.email())
                .form(
                        "/setup/forms/new",
                        "/setup/forms/new",
                        "name",
                        "Days",
                        "title",
                        "Ask about a day",
                        "button",
                        "Send",
                        "thanks",
                        "Thanks.",
                        "purpose",
                        "enquiry",
                        "accent",
                        "sea",
                        "ask.email",
                        "needed");
        http().signIn(tenant.email()).form("/setup/site-tag", "/setup/site-tag/sites", "site", "localhost");
        return id("select id::text from entry_form");
    }

    private String within(String what) {
        return "http://localhost:" + site.port() + "/within?" + what;
    }

    /** By a link to one's own page, in whose middle a form stands: nothing but one line of script brought it there. */
    @Test
    void a_form_in_ones_own_page_tells_the_visit_that_brought_its_visitor() {
        String form = form();
        String click = Http.click(http().visit(tenant.host(), slug));
        Page visitor = browser.page(390, 844);
        visitor.navigate(within("form=" + form + "&wcl=" + click));
        com.microsoft.playwright.FrameLocator frame = visitor.frameLocator("iframe");
        assertThat(frame.locator("h1")).hasText("Ask about a day");
        assertThat(visitor.locator("iframe"))
                .hasAttribute("title", java.util.regex.Pattern.compile("Ask about a day.*"));
        assertThat(visitor.evaluate("document.documentElement.scrollWidth <= innerWidth"))
                .isEqualTo(true);
        frame.getByLabel("Your e-mail").fill("nobody");
        frame.getByText("Send", new com.microsoft.playwright.FrameLocator.GetByTextOptions().setExact(true))
                .click();
        visitor.waitForFunction("document.querySelector('iframe').contentWindow.length === 0"
                + " && Math.abs(parseInt(document.querySelector('iframe').style.height) - 420) > 0");
        frame.getByLabel("Your e-mail").fill("ines@marsh.example");
        frame.getByText("Send", new com.microsoft.playwright.FrameLocator.GetByTextOptions().setExact(true))
                .click();
        assertThat(frame.locator("h1")).hasText("Sent");
        await("the lead is kept", () -> count(tenant, "select count(*) from outcome where click_id is not null") == 1);
        go("/setup/site-tag");
        assertThat(page.locator("#calls")).containsText("Shown in your page");
        assertThat(page.locator("#calls")).containsText("Ask about a day");
        go("/setup/forms/" + form);
        assertThat(page.locator("#embed-script")).containsText("data-form=\"" + form + "\"");
        assertThat(Browser.axe(page)).isEmpty();
    }

    /** Signed up and confirmed from a page of one's own, on a phone. */
    @Test
    void a_sign_up_form_in_ones_own_page_joins_the_list() {
        Http owner = http().signIn(tenant.email());
        owner.form("/setup/site-tag", "/setup/site-tag/sites", "site", "localhost");
        owner.form(
                "/subscribers/lists",
                "/subscribers/lists",
                "name",
                "Tides",
                "promise",
                "Tides, monthly",
                "hasForm",
                "yes");
        String list = id("select id::text from newsletter_list where name = 'Tides'");
        Page visitor = browser.page(390, 844);
        visitor.navigate(within("list=" + list));
        com.microsoft.playwright.FrameLocator frame = visitor.frameLocator("iframe");
        assertThat(visitor.evaluate("document.documentElement.scrollWidth <= innerWidth"))
                .isEqualTo(true);
        frame.locator("[type=email]").fill("nobody@nowhere");
        frame.locator("button").last().click();
        assertThat(frame.locator("#fault")).isVisible();
        frame.locator("[type=email]").fill("ines@marsh.example");
        frame.locator("button").last().click();
        assertThat(frame.locator("[type=email]")).hasCount(0);
        await("she is on the list", () -> count(tenant, "select count(*) from list_member where left_at is null") == 1);
    }

    @Test
    void a_button_opens_it_by_keys_alone_and_closes_it_again() {
        String form = form();
        Page visitor = browser.page(1280, 800);
        visitor.navigate(within("form=" + form + "&button=Book+a+day"));
        assertThat(visitor.locator("dialog")).isHidden();
        visitor.locator(".wendo-button").focus();
        visitor.keyboard().press("Enter");
        assertThat(visitor.frameLocator("dialog iframe").locator("h1")).hasText("Ask about a day");
        assertThat(Browser.axe(visitor)).isEmpty();
        visitor.keyboard().press("Escape");
        assertThat(visitor.locator("dialog")).isHidden();
        assertThat(visitor.locator(".wendo-button")).isFocused();
    }

    /** Clickjacking: whoever is no site of the business's own shows nothing of it. */
    @Test
    void nobody_elses_page_may_show_it() {
        String form = form();
        http().signIn(tenant.email()).form("/setup/site-tag", "/setup/site-tag/sites/remove", "site", "localhost");
        Page visitor = browser.page(1280, 800);
        visitor.navigate(within("form=" + form));
        visitor.waitForCondition(() -> browser.complaints.stream().anyMatch(one -> one.contains("frame-ancestors")));
        browser.complaints.removeIf(one -> one.contains("frame-ancestors") || one.contains("chrome-error"));
        assertThat(count(tenant, "select count(*) from tag_call where what = 'embedded'"))
                .isZero();
    }
}
