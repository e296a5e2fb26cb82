package wendo.app.browser;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Page;
import java.util.List;
import java.util.regex.Pattern;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import wendo.standins.DemoSite;
import wendo.standins.PartnerNetwork;

/** What the site tag and a partner network tell, seen at the desk as it arrives. */
@Tag("browser")
class SiteJourneyTest extends Journey {
    private Tenant tenant;
    private DemoSite site;

    @BeforeEach
    void open() throws Exception {
        tenant = tenant("Sandpiper Surf");
        site = DemoSite.start(0, "http://" + tenant.host() + ":" + port, tenant.siteKey());
        http().issue(tenant.apiKey(), "http://localhost:" + site.port() + "/", "Spring", "Tide Notes");
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

    /** Reaches a page of the site from another one, as a browser tells it. */
    private Page arrive(String path, String referrer) {
        Page visitor = browser.page(390, 844);
        visitor.navigate("http://localhost:" + site.port() + path, new Page.NavigateOptions().setReferer(referrer));
        await("the tag runs", () -> visitor.evaluate("typeof window.wendo").equals("function"));
        return visitor;
    }

    /** Follows a link that leads away, and stays. */
    private static void follow(Page visitor, String address) {
        visitor.waitForResponse(
                response -> response.url().endsWith("/t/outgoing") && response.status() == 204,
                () -> visitor.evaluate("""
                        (address) => {
                            const link = Object.assign(document.createElement("a"), { href: address });
                            link.addEventListener("click", (event) => event.preventDefault());
                            document.body.append(link);
                            link.click();
                        }
                        """, address));
    }

    @Test
    void what_the_site_sends_is_seen_as_it_arrives_and_a_website_becomes_a_source() {
        go("/setup/site-tag");
        assertThat(page.locator("#calls")).containsText("Nothing in the last day.");
        Page visitor = arrive("/courses", "https://tides.example/coast?day=3");
        assertThat(page.locator("#calls")).containsText("https://tides.example/coast?day=3");
        visitor.evaluate("wendo('sale', { refrence: 'B-7' })");
        assertThat(page.locator("#calls")).containsText("kind: Must be lead, booking or purchase");
        assertThat(page.locator("#calls")).containsText("refrence");
        visitor.waitForResponse(
                response -> response.url().endsWith("/t/outcomes") && response.status() == 204,
                () -> visitor.evaluate("wendo('booking', { reference: 'B-7', value: 95 })"));
        go("/links/none");
        assertThat(page.locator("h1")).hasText("1 person came to your site without a link");
        page.getByText("Choose source").click();
        page.locator("select[name=source]").selectOption("Tide Notes");
        button("Save");
        await("it is credited anew", () -> count(tenant, """
                select count(*) from credit c join source s on s.id = c.source_id where s.name = 'Tide Notes'
                """) == 1);
        go("/outcomes");
        assertThat(page.locator("main")).containsText("it stands for Tide Notes.");
        page.locator("main tbody a").first().click();
        page.getByLabel("Source").selectOption("Other websites");
        page.waitForResponse(
                response -> response.request().method().equals("GET")
                        && response.url().contains("/outcomes/"),
                () -> button("Save source"));
        page.waitForLoadState();
        await("what a person knows goes before", () -> count(tenant, """
                select count(*) from credit c join source s on s.id = c.source_id where s.name = 'Other websites'
                """) == 1);
        page.reload();
        assertThat(page.locator("main")).containsText("Ola Ness set where the booking came from");
    }

    @Test
    void outgoing_links_are_tried_counted_and_read_by_page() {
        Page visitor = arrive("/enquiry", "");
        follow(visitor, "https://book.example/marram/taster");
        follow(visitor, "https://maps.example/pier");
        go("/links/outgoing");
        page.locator("main table a.button").first().click();
        assertThat(page.getByLabel("Links to")).hasValue(Pattern.compile("(book|maps)\\.example/.*"));
        page.getByLabel("Links to").fill("https://book.example/");
        page.getByLabel("Name").fill("Booking desk");
        page.getByLabel("Worth each, GBP").fill("3.50");
        button("Test on the last 30 days");
        assertThat(page.locator("#trial-title")).containsText("would have matched 1 of 2");
        button("Add pattern");
        assertThat(page.locator("main")).containsText("£3.50");
        go("/links/outgoing");
        assertThat(page.locator("h1")).hasText("1 outgoing link was followed, worth £3.50");
        assertThat(page.locator("main")).containsText("localhost:" + site.port() + "/enquiry");
    }

    @Test
    void a_network_is_set_up_its_address_pasted_and_its_sale_watched_arriving() throws Exception {
        try (PartnerNetwork network = PartnerNetwork.start(0)) {
            go("/setup/networks");
            page.getByText("New network").click();
            button("Save");
            assertThat(page.locator("main")).containsText("Enter a name of 1 to");
            page.getByLabel("Name").fill("Sail Net");
            page.getByLabel("Network address").fill("http://localhost:" + network.port() + "/offer");
            page.getByLabel("Source of its sales").selectOption("Tide Notes");
            page.getByLabel("Parameter").fill("s1");
            page.getByLabel("Maximum length").fill("10");
            page.getByLabel("Characters").selectOption("digits only");
            page.getByLabel("The sub-ID that went out").fill("[s1]");
            page.getByLabel("Its own number of the sale").fill("[sale]");
            page.getByLabel("The amount").fill("[amount]");
            page.getByLabel("The status").fill("[state]");
            button("Save");
            assertThat(page.locator("h1")).hasText("Sail Net");
            String address = page.locator("#postback").textContent();
            Page desk = browser.page(1280, 800);
            desk.navigate("http://localhost:" + network.port() + "/");
            desk.locator("input[name=address]")
                    .fill("http://localhost:" + port + address.replaceFirst("^https?://[^/]+", ""));
            desk.locator("button").first().click();
            desk.navigate("http://localhost:" + network.port() + "/offer?s1=007");
            desk.locator("button").click();
            assertThat(page.locator("#received")).containsText("reference=N-7001");
            assertThat(page.locator("#received")).containsText("Recorded: no visit with this sub-ID is known yet.");
        }
    }

    @Test
    void the_pages_of_the_site_and_of_networks_are_sound_on_a_desk_and_a_phone() {
        follow(
                arrive("/enquiry", "https://tides.example/a-page-with-a-rather-long-address/of-more-than-one-line"),
                "https://book.example/x");
        for (String path : List.of(
                "/links/none",
                "/links/outgoing",
                "/setup/site-tag",
                "/setup/outgoing",
                "/setup/networks",
                "/setup/networks/new",
                "/setup/wording",
                "/setup/forms/new",
                "/setup/destinations",
                "/setup/codes",
                "/outcomes?joined=no")) {
            page.setViewportSize(1280, 800);
            go(path);
            assertThat(Browser.axe(page)).as(path).isEmpty();
            page.setViewportSize(390, 844);
            assertThat(page.evaluate("document.documentElement.scrollWidth <= window.innerWidth"))
                    .as("%s fits a phone", path)
                    .isEqualTo(true);
        }
    }
}
