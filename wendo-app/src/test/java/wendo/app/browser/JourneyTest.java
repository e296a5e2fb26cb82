package wendo.app.browser;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.ColorScheme;
import java.util.List;
import java.util.regex.Pattern;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import wendo.app.WendoTest;
import wendo.standins.DemoSite;

@Tag("browser")
class JourneyTest extends WendoTest {
    private final Browser browser = new Browser();
    private Tenant tenant;
    private DemoSite site;
    private Page page;

    @BeforeEach
    void open() throws Exception {
        tenant = tenant("Redshank Rowing");
        site = DemoSite.start(0, "http://" + tenant.host() + ":" + port, tenant.siteKey());
        page = browser.page(1280, 800);
    }

    @AfterEach
    void nothing_went_wrong_on_the_way() {
        browser.close();
        site.close();
        assertThat(browser.complaints).isEmpty();
    }

    private void signIn() {
        page.navigate("http://localhost:" + port + "/");
        page.getByLabel("E-mail").fill(tenant.email());
        page.getByLabel("Password").fill(PASSWORD);
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Sign in"))
                .click();
        assertThat(page).hasURL(Pattern.compile(".*/today.*"));
    }

    private void addSource(String name, String channel) {
        page.getByLabel("Name of the new source").fill(name);
        page.getByLabel("Channel of the new source").selectOption(channel);
        page.getByRole(
                        AriaRole.BUTTON,
                        new Page.GetByRoleOptions().setName("Add").setExact(true))
                .click();
        assertThat(page.getByLabel(name, new Page.GetByLabelOptions().setExact(true)))
                .isChecked();
    }

    private void open(String section) {
        page.getByRole(AriaRole.NAVIGATION, new Page.GetByRoleOptions().setName("Sections"))
                .locator("a", new Locator.LocatorOptions().setHasText(section))
                .click();
    }

    /** Issues three links on the desk and answers their addresses, in the order of the sheet. */
    private List<String> issueThree() {
        open("Issue");
        page.locator("#destination").fill("http://localhost:" + site.port() + "/");
        page.getByLabel("Campaign").fill("Spring tides");
        addSource("Postcards to Rill", "print");
        addSource("Saltgrass Campsite", "partner");
        addSource("Text to members", "text");
        assertThat(page.locator("#sheet .stub")).hasCount(3);
        page.getByLabel("Ending of the link for Saltgrass Campsite").fill("wendo");
        assertThat(page.locator("#sheet .fault")).containsText("is kept for the link domain itself");
        page.getByLabel("Ending of the link for Saltgrass Campsite").fill("camp");
        assertThat(page.locator("#sheet .fault")).hasCount(0);
        assertThat(page.locator("#sheet"))
                .containsText("utm_source=saltgrass-campsite&utm_medium=referral&utm_campaign=spring-tides");
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Issue 3 links"))
                .click();
        assertThat(page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setLevel(1)))
                .hasText("3 links issued");
        assertThat(Browser.axe(page)).isEmpty();
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Copy the address of Saltgrass Campsite"))
                .click();
        assertThat(page.evaluate("navigator.clipboard.readText()"))
                .isEqualTo("http://" + tenant.host() + ":" + port + "/camp");
        page.reload();
        return page.locator(".stub-address").allTextContents();
    }

    /** Opens a link as a visitor of its own and does what the site's form asks. */
    private void visitAndOrder(String link, String email, String menu, String button) {
        Page visitor = browser.page(390, 844);
        visitor.navigate(link);
        assertThat(visitor.url()).contains("utm_campaign=spring-tides", "wcl=");
        visitor.getByRole(
                        AriaRole.LINK, new Page.GetByRoleOptions().setName(menu).setExact(true))
                .click();
        if (visitor.getByLabel("Your name").count() > 0) {
            visitor.getByLabel("Your name").fill("Ada Reed");
        }
        visitor.getByLabel("E-mail").fill(email);
        visitor.waitForResponse(
                response -> response.url().endsWith("/t/outcomes") && response.status() == 204,
                () -> visitor.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(button))
                        .click());
        visitor.waitForResponse(
                response -> response.url().endsWith("/t/outcomes") && response.status() == 204, visitor::reload);
        visitor.context().close();
    }

    @Test
    void three_links_bring_a_lead_a_booking_and_a_purchase_each_credited_to_its_source() {
        signIn();
        List<String> links = issueThree();
        assertThat(links).hasSize(3);
        visitAndOrder(links.get(0), "ada@reed.example", "Group days", "Send the enquiry");
        visitAndOrder(links.get(1), "bo@reed.example", "Courses", "Book the course");
        visitAndOrder(links.get(2), "cy@reed.example", "Vouchers", "Buy the voucher");
        await("all are credited", () -> count(tenant, "select count(*) from credit") == 3);

        open("Outcomes");
        assertThat(page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setLevel(1)))
                .hasText("3 outcomes, worth £95.00");
        assertLedger("Lead", "Postcards to Rill", "The click identifier of a visit on");
        assertLedger("Booking", "Text to members", "came back with the booking");
        assertLedger("Purchase", "Saltgrass Campsite", "came back with the purchase");

        open("Spend");
        page.getByLabel("Spent on").selectOption("Text to members");
        page.getByLabel("Amount, GBP").fill("£12.50");
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Add spend"))
                .click();
        assertThat(page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setLevel(1)))
                .hasText("£12.50 spent in this period");

        open("Compare");
        assertRow("Postcards to Rill", 1, 1, 1, 0, 0, "£0.00", "–");
        assertRow("Text to members", 1, 1, 0, 1, 0, "£45.00", "£12.50");
        assertRow("Saltgrass Campsite", 1, 1, 0, 0, 1, "£50.00", "–");
        assertRow("Total", 3, 3, 1, 1, 1, "£95.00", "£12.50");
    }

    private void assertLedger(String what, String source, String evidence) {
        var row = page.locator("tbody tr")
                .filter(new com.microsoft.playwright.Locator.FilterOptions().setHasText(source));
        assertThat(row).containsText(what);
        assertThat(row).containsText(evidence);
    }

    private void assertRow(String source, Object... cells) {
        var row = page.locator("tr")
                .filter(new com.microsoft.playwright.Locator.FilterOptions()
                        .setHas(page.locator("th", new Page.LocatorOptions().setHasText(source))));
        for (int i = 0; i < cells.length; i++) {
            assertThat(row.locator("td").nth(i)).hasText(String.valueOf(cells[i]));
        }
    }

    /** Each page once on a desk in daylight, and once on a phone in the dark. */
    @Test
    void axe_finds_nothing_on_any_screen_and_nothing_is_cut() {
        http().issue(tenant.apiKey(), "http://localhost:" + site.port() + "/", "Spring", "Postcards", "Radio");
        http().post(
                        tenant.apiKey(),
                        "/api/v1/outcomes",
                        "{\"kind\": \"booking\", \"reference\": \"B-1\", \"value\": 95}");
        page.navigate("http://localhost:" + port + "/sign-in");
        assertThat(Browser.axe(page)).as("sign-in").isEmpty();
        signIn();
        for (String path : List.of(
                "/today",
                "/issue",
                "/links",
                "/links?find=nothing",
                "/outcomes",
                "/outcomes/new",
                "/leads",
                "/subscribers",
                "/subscribers/lists",
                "/subscribers/senders",
                "/setup/sending",
                "/links/none",
                "/compare?by=month&with=before",
                "/compare/pair",
                "/compare/months",
                "/compare/splits",
                "/compare/lists",
                "/compare/behind/bookings",
                "/compare/behind/visits",
                "/compare/behind/people",
                "/compare/cross-checks",
                "/spend",
                "/setup",
                "/setup/business",
                "/setup/keys",
                "/setup/targets",
                "/nothing")) {
            browser.complaints.removeIf(complaint -> complaint.contains("404"));
            look(1280, 800, ColorScheme.LIGHT);
            page.navigate("http://localhost:" + port + path);
            assertSound(path + " on a desk");
            look(390, 844, ColorScheme.DARK);
            assertThat(Browser.axeAgain(page)).as(path + " on a phone").isEmpty();
            assertNotCut(path + " on a phone");
        }
        browser.complaints.removeIf(complaint -> complaint.contains("404"));
    }

    private void look(int width, int height, ColorScheme scheme) {
        page.setViewportSize(width, height);
        page.emulateMedia(new Page.EmulateMediaOptions().setColorScheme(scheme));
    }

    private void assertSound(String where) {
        assertThat(Browser.axe(page)).as(where).isEmpty();
        assertNotCut(where);
    }

    private void assertNotCut(String where) {
        assertThat(page.evaluate("document.documentElement.scrollWidth <= window.innerWidth"))
                .as("%s nothing is wider than the screen", where)
                .isEqualTo(true);
    }

    @Test
    void the_period_is_dragged_on_the_ribbon_kept_while_moving_about_and_found_going_back() {
        signIn();
        open("Compare");
        var box = page.locator("[data-ribbon]").boundingBox();
        page.mouse().move(box.x + box.width * 0.5, box.y + 20);
        page.mouse().down();
        page.mouse().move(box.x + box.width * 0.75, box.y + 20);
        page.mouse().up();
        assertThat(page).hasURL(Pattern.compile(".*/compare\\?.*from=\\d{4}-\\d\\d-\\d\\d&to=\\d{4}-\\d\\d-\\d\\d"));
        String period = page.url().replaceFirst("^.*(from=.*)$", "$1");
        open("Outcomes");
        assertThat(page.url()).endsWith("/outcomes?" + period);
        page.getByText("7 days", new Page.GetByTextOptions().setExact(true)).click();
        assertThat(page).hasURL(Pattern.compile(".*period=7d"));
        page.goBack();
        assertThat(page.url()).contains(period);
    }

    @Test
    void on_a_phone_the_sections_are_behind_the_one_that_is_open() {
        signIn();
        look(390, 844, ColorScheme.LIGHT);
        page.navigate("http://localhost:" + port + "/today");
        var now = page.getByRole(
                AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Today").setExact(true));
        assertThat(page.locator("#sections")).isHidden();
        now.click();
        assertThat(Browser.axe(page)).isEmpty();
        page.keyboard().press("Escape");
        assertThat(page.locator("#sections")).isHidden();
        now.click();
        open("Outcomes");
        assertThat(page).hasURL(Pattern.compile(".*/outcomes.*"));
    }

    /** Setup is found by a word of it, from the menu under one's name. */
    @Test
    void setup_is_a_list_that_a_word_narrows() {
        signIn();
        page.locator("details.menu").last().locator("summary").click();
        page.locator("a[data-section=setup]").click();
        assertThat(page.locator("[data-entry]:visible")).hasCount(28);
        page.getByLabel("Search").fill("link");
        assertThat(page.locator("[data-entry]:visible")).hasCount(2);
        assertThat(page.locator("[data-group]:visible")).hasCount(2);
        page.getByText("Link domains").click();
        assertThat(page.locator("h1")).hasText("Link domains");
        assertThat(page.locator(".setup-side [aria-current]")).containsText("Link domains");
    }

    @Test
    void keys_lead_about_and_never_get_in_the_way_of_typing() {
        signIn();
        page.keyboard().press("g");
        page.keyboard().press("c");
        assertThat(page).hasURL(Pattern.compile(".*/compare.*"));
        page.keyboard().press("?");
        assertThat(page.locator("dialog")).isVisible();
        page.keyboard().press("Escape");
        page.keyboard().press("/");
        page.keyboard().type("gig");
        assertThat(page.locator("#finder")).hasValue("gig");
        page.keyboard().press("Enter");
        assertThat(page).hasURL(Pattern.compile(".*/find\\?find=gig"));
    }

    @Test
    void all_of_it_works_without_script() {
        http().issue(tenant.apiKey(), "http://localhost:" + site.port() + "/", "Spring", "Postcards", "Radio");
        String taken = in(
                tenant,
                () -> jdbc.sql("select min(slug) from link").query(String.class).single());
        page = browser.pageWithoutScript();
        signIn();
        open("Issue");
        page.locator("#destination").fill("rowing.example/boats");
        page.getByLabel("Campaign").fill("Autumn");
        page.getByLabel("Radio", new Page.GetByLabelOptions().setExact(true)).check();
        page.getByText("Update the sheet").click();
        page.getByLabel("Ending of the link for Radio").fill(taken);
        page.getByText("Issue 1 link").click();
        assertThat(page.locator("#sheet .fault")).containsText("is taken by another link");
        page.getByText("Use " + taken + "-2").click();
        assertThat(page.getByLabel("Ending of the link for Radio")).hasValue(taken + "-2");
        page.getByText("Issue 1 link").click();
        assertThat(page.getByRole(AriaRole.ALERT)).containsText("There is no site of this name.");
        browser.complaints.removeIf(complaint -> complaint.contains("422")); // the refusals themselves
        page.getByLabel("Issue anyway").check();
        page.getByText("Issue 1 link").click();
        assertThat(page.locator(".stub-address")).hasText("http://%s:%d/%s-2".formatted(tenant.host(), port, taken));
        page.getByLabel("Find anything").fill(taken + "-2");
        page.getByLabel("Find anything").press("Enter");
        assertThat(page).hasURL(Pattern.compile(".*/links/[0-9a-f-]{36}"));
        open("Compare");
        page.getByText("28 days").click();
        assertThat(page).hasURL(Pattern.compile(".*/compare\\?period=28d.*"));
        page.locator(".menu summary").last().click();
        page.getByText("Sign out").click();
        assertThat(page.getByText("You are signed out.")).isVisible();
    }

    @Test
    void what_is_typed_survives_a_change_elsewhere_and_a_second_press_issues_nothing_more() {
        http().issue(tenant.apiKey(), "http://localhost:" + site.port() + "/", "Spring", "Postcards", "Radio");
        signIn();
        open("Issue");
        page.getByLabel("Radio", new Page.GetByLabelOptions().setExact(true)).check();
        page.getByLabel("Ending of the link for Radio").fill("on-air");
        page.getByLabel("Postcards", new Page.GetByLabelOptions().setExact(true))
                .check();
        assertThat(page.locator("#sheet .stub")).hasCount(2);
        page.locator("#destination").fill("javascript:alert(1)");
        assertThat(page.locator("#sheet")).containsText("Only http and https addresses");
        page.locator("#destination").fill("localhost:" + site.port());
        page.getByLabel("Campaign").fill("Regatta");
        assertThat(page.locator("#looks")).containsText("Marram Point Sailing");
        page.getByLabel("Campaign").press("Enter");
        assertThat(page).hasURL(Pattern.compile(".*/issue/sheet"));
        assertThat(page.locator("#desk .fault")).hasCount(0);
        assertThat(page.locator("#sheet"))
                .containsText(
                        "http://localhost:" + site.port() + "/?utm_source=radio&utm_medium=print&utm_campaign=regatta");
        assertThat(page.getByLabel("Ending of the link for Radio")).hasValue("on-air");
        page.getByText("Issue 2 links").dblclick();
        assertThat(page.locator("h1")).hasText("2 links issued");
        assertThat(count(tenant, "select count(*) from link")).isEqualTo(4);
    }

    @Test
    void a_file_becomes_links_and_the_work_can_be_left_alone() {
        signIn();
        open("Issue");
        page.getByText("From a file or a table").click();
        page.getByLabel("File, CSV or XLSX")
                .setInputFiles(new com.microsoft.playwright.options.FilePayload(
                        "spring.csv",
                        "text/csv",
                        ("Who;Landing page;Campaign;Ending\nRadio;localhost:%d;Spring;on-air\n;localhost:%d;Spring;\n"
                                        .formatted(site.port(), site.port()))
                                .getBytes(java.nio.charset.StandardCharsets.UTF_8)));
        page.getByText("Upload").click();
        assertThat(page.getByLabel("Destination", new Page.GetByLabelOptions().setExact(true)))
                .hasValue("1");
        page.getByLabel("Source", new Page.GetByLabelOptions().setExact(true)).selectOption("Who");
        assertThat(Browser.axe(page)).isEmpty();
        page.locator("main").getByText("Check rows").last().click();
        assertThat(page.locator("h1")).hasText("1 of 2 rows are wrong");
        assertThat(page.locator("main tbody tr").last()).containsText("Source: Name the new source");
        assertThat(Browser.axe(page)).isEmpty();
        page.getByText("Issue only the 1 good one").click();
        open("Today");
        open("Issue");
        page.getByText("From a file or a table").click();
        page.getByText("spring.csv").click();
        assertThat(page.locator("h1")).hasText("1 link issued");
        assertThat(page.locator("main tbody")).containsText("/on-air");
    }

    @Test
    void the_setup_of_links_has_no_barriers_on_a_desk_and_on_a_phone() {
        http().issue(tenant.apiKey(), "http://localhost:" + site.port() + "/", "Spring", "Postcards", "Radio");
        String source = in(
                tenant,
                () -> jdbc.sql("select cast(id as text) from source limit 1")
                        .query(String.class)
                        .single());
        String destination = in(
                tenant,
                () -> jdbc.sql("select cast(id as text) from destination")
                        .query(String.class)
                        .single());
        signIn();
        for (String path : List.of(
                "sources",
                "sources/" + source,
                "campaigns",
                "destinations",
                "destinations/" + destination,
                "hosts",
                "tag-plans",
                "tag-plans/new")) {
            page.setViewportSize(1280, 800);
            page.navigate("http://localhost:" + port + "/setup/" + path);
            assertThat(Browser.axe(page)).as(path).isEmpty();
            page.setViewportSize(390, 844);
            assertThat(page.evaluate("document.documentElement.scrollWidth <= innerWidth"))
                    .as(path + " fits a phone")
                    .isEqualTo(true);
        }
        page.navigate("http://localhost:" + port + "/issue");
        page.locator("#destination").fill("localhost:" + site.port() + "/?utm_source=radio");
        page.getByLabel("Campaign").fill("Spring");
        page.getByText("Use them as source and campaign").click();
        assertThat(page.getByLabel("Radio", new Page.GetByLabelOptions().setExact(true)))
                .isChecked();
        page.getByText("Issue 1 link").click();
        assertThat(page.locator("h1")).hasText("1 link issued");
        assertThat(page.evaluate("document.documentElement.scrollWidth <= innerWidth"))
                .isEqualTo(true);
    }
}
