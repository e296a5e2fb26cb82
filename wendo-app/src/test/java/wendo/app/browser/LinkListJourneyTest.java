package wendo.app.browser;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.List;
import java.util.UUID;
import java.util.regex.Pattern;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import wendo.standins.DemoSite;

/** Links that are kept, placed and proved, in a browser. */
@Tag("browser")
class LinkListJourneyTest extends Journey {
    private Tenant tenant;
    private DemoSite site;
    private List<String> slugs;

    @BeforeEach
    void open() throws Exception {
        tenant = tenant("Knot Kayaks");
        site = DemoSite.start(0, "http://" + tenant.host() + ":" + port, tenant.siteKey());
        slugs = http().issue(
                        tenant.apiKey(),
                        "http://localhost:" + site.port() + "/",
                        "Spring",
                        "Postcards",
                        "Radio",
                        "Harbour sign");
        signIn(1280, 800, tenant.email());
    }

    @AfterEach
    void nothing_went_wrong_on_the_way() {
        browser.close();
        site.close();
        assertThat(browser.complaints).isEmpty();
    }

    private UUID link(int number) {
        return in(
                tenant,
                () -> jdbc.sql("select id from link where slug = ?")
                        .param(slugs.get(number))
                        .query(UUID.class)
                        .single());
    }

    private String address(int number) {
        return "http://" + tenant.host() + ":" + port + "/" + slugs.get(number);
    }

    @Test
    void a_link_is_found_and_copied_by_keys_alone() {
        page.keyboard().press("/");
        page.keyboard().type("harb");
        assertThat(page.locator("#finder-found .stub").first()).containsText("Harbour sign");
        page.keyboard().press("ArrowDown");
        page.keyboard().press("c");
        page.waitForFunction("navigator.clipboard.readText().then(text => text === '" + address(2) + "')");
        page.keyboard().press("Escape");
        assertThat(page.locator("#finder-found .stub")).hasCount(0);
        page.getByLabel("Find anything").fill(address(1).toUpperCase(java.util.Locale.ROOT));
        page.keyboard().press("Enter");
        assertThat(page).hasURL(Pattern.compile(".*/links/" + link(1)));
    }

    @Test
    void many_links_are_changed_at_once_and_back() {
        go("/links?sort=name");
        assertThat(Browser.axe(page)).isEmpty();
        page.getByLabel("Select Postcards · Spring").check();
        page.getByLabel("Select Radio · Spring").check();
        page.locator("#put-label").fill("coast");
        button("Add");
        assertThat(page.getByRole(AriaRole.STATUS)).containsText("Labelled “coast”: 2 links.");
        assertThat(page.locator("article.stub")
                        .filter(new com.microsoft.playwright.Locator.FilterOptions().setHasText("coast")))
                .hasCount(2);
        button("Undo");
        assertThat(page.getByRole(AriaRole.STATUS)).containsText("2 links are as they were before.");
        button("Select all on this page");
        assertThat(page.locator("#ticked-title")).hasText("Selected links: 3");
        button("Archive");
        assertThat(page.locator("h1")).hasText("0 links");
        page.getByText("Changes").click();
        assertThat(Browser.axe(page)).isEmpty();
        page.locator("main tbody tr").first().getByRole(AriaRole.BUTTON).click();
        assertThat(page.getByRole(AriaRole.STATUS)).containsText("3 links are as they were before.");
        assertThat(page.locator("h1")).hasText("3 links");
    }

    /** What is chosen applies at once, stands in the address, and typing goes on where it was. */
    @Test
    void a_filter_applies_as_it_is_typed_and_chosen() {
        go("/links?sort=name");
        assertThat(page.locator("form[aria-label=Links] .without-script")).isHidden();
        page.getByLabel("Search").pressSequentially("Radio");
        assertThat(page.locator("h1")).hasText("1 link found");
        assertThat(page).hasURL(Pattern.compile("[^?]*\\?(?!.*=(&|$)).*find=Radio.*"));
        assertThat(page.getByLabel("Search")).isFocused();
        page.getByLabel("Select Radio · Spring").check();
        assertThat(page.locator("#ticked-title")).hasText("Selected links: 1");
        page.locator("#columns summary").click();
        page.getByLabel("Issued").check();
        assertThat(page.locator("article.stub .stub-figures")).containsText("Issued");
        assertThat(page).hasURL(Pattern.compile(".*columns=name\\.people\\.visits\\.apart\\.issued.*"));
        page.getByLabel("Search").fill("");
        assertThat(page.locator("h1")).hasText("3 links");
        page.goBack();
        assertThat(page.locator("h1")).hasText("1 link found");
    }

    @Test
    void every_page_of_a_link_has_no_barriers_on_a_desk_and_on_a_phone() {
        String link = "/links/" + link(0);
        List<String> pages = List.of(
                "/links",
                link,
                link + "/leads",
                link + "/place",
                link + "/place/ad",
                link + "/place/card",
                link + "/message",
                link + "/newsletter",
                link + "/proof",
                link + "/shared",
                "/codes?link=" + link(0),
                "/signposts",
                "/find?find=spring");
        for (String one : pages) {
            page.setViewportSize(1280, 800);
            go(one);
            assertThat(Browser.axe(page)).as(one).isEmpty();
            page.setViewportSize(390, 844);
            assertThat((int) page.evaluate("document.documentElement.scrollWidth"))
                    .as("%s fits a phone", one)
                    .isLessThanOrEqualTo(390);
        }
        go(link);
        assertThat(Browser.axe(page)).isEmpty();
    }

    @Test
    void a_proof_ticks_while_the_phone_goes_through_it() {
        go("/links/" + link(0) + "/proof");
        button("Test this link");
        assertThat(page.locator("#checklist")).containsText("1 of 6 seen");
        assertThat(Browser.axe(page)).isEmpty();
        Page phone = browser.page(390, 844);
        phone.navigate(page.locator("#phone").textContent().strip());
        assertThat(phone.locator("h1")).hasText("This phone takes part");
        assertThat(Browser.axe(phone)).isEmpty();
        phone.navigate(address(0));
        assertThat(page.locator("#checklist")).containsText("5 of 6 seen");
        phone.getByRole(
                        AriaRole.LINK,
                        new Page.GetByRoleOptions().setName("Courses").setExact(true))
                .click();
        if (phone.getByLabel("Your name").count() > 0) {
            phone.getByLabel("Your name").fill("Ada Reed");
        }
        phone.getByLabel("E-mail").fill("test@knot.example");
        phone.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Book the course"))
                .click();
        assertThat(page.locator("#checklist")).containsText("6 of 6 seen");
        go("/outcomes");
        assertThat(page.locator("h1")).containsText("0 outcomes");
    }

    @Test
    void a_message_counts_while_one_types_and_a_letter_subscribes_in_one_click() {
        go("/links/" + link(0) + "/message");
        page.getByLabel("Message").fill("It’s on: {link}");
        assertThat(page.locator("#count")).containsText("Costly alphabet");
        button("Use plain characters");
        assertThat(page.getByLabel("Message")).hasValue("It's on: {link}");
        page.getByLabel("Recipients").fill("200");
        page.getByLabel("Price per segment").fill("0.04");
        assertThat(page.locator("#count")).containsText("£8.00");

        go("/links/" + link(1) + "/newsletter");
        page.getByLabel("Subscribe people who arrive by this link").check();
        page.getByLabel("Ask them to confirm").uncheck();
        page.getByLabel("Subscription text").fill("Tides, monthly");
        button("Save");
        await(
                "the link host knows",
                () -> http().visit(tenant.host(), slugs.get(1) + "?reader=a")
                        .headers()
                        .firstValue("Location")
                        .orElseThrow()
                        .startsWith("/t/opt-in"));
        Page reader = browser.page(390, 844);
        reader.navigate(address(1) + "?reader=ada@reed.example");
        assertThat(reader).hasURL(Pattern.compile("http://localhost:" + site.port() + "/\\?utm_source=radio.*wcl=.*"));
        assertThat(count(tenant, "select count(*) from subscriber where email = 'ada@reed.example'"))
                .isOne();
        reader.navigate(address(1) + "?reader={{email}}");
        assertThat(reader.locator("h1")).hasText("Nobody was subscribed");
        assertThat(Browser.axe(reader)).isEmpty();
    }

    @Test
    void a_profiles_one_address_leads_to_several_pages() {
        go("/signposts");
        page.getByLabel("Title").fill("Paddle with us");
        page.getByLabel("Source").fill("Profile");
        page.getByLabel("Campaign").fill("Season");
        page.getByLabel("Ending of its address").fill("knot");
        button("Add");
        page.locator("#entryTitle").fill("Vouchers");
        page.getByLabel("Destination").fill("localhost:" + site.port() + "/vouchers");
        button("Add");
        assertThat(page.locator("ol .stub")).hasCount(1);
        assertThat(Browser.axe(page)).isEmpty();
        Page visitor = browser.pageWithoutScript();
        await("the link is known", () -> http().visit(tenant.host(), "knot").statusCode() == 302);
        visitor.navigate("http://" + tenant.host() + ":" + port + "/knot");
        assertThat(visitor.locator("h1")).hasText("Paddle with us");
        visitor.getByText("Vouchers").click();
        assertThat(visitor).hasURL(Pattern.compile(".*/vouchers\\?utm_source=profile.*"));
    }

    @Test
    void a_code_is_ordered_for_print_and_its_sheet_taken_along() throws Exception {
        go("/links/" + link(2) + "/place");
        page.getByText("In print").click();
        assertThat(page.locator("article")).containsText("Content");
        page.getByLabel("Code size, mm").fill("3");
        assertThat(page.locator("#side-fault")).containsText("Enter a number from 8 to 1000.");
        assertThat(page.getByLabel("Code size, mm")).hasValue("3");
        page.getByLabel("Code size, mm").fill("60");
        page.getByLabel("Sheet", new Page.GetByLabelOptions().setExact(true)).selectOption("a4-12");
        assertThat(page.getByRole(AriaRole.ALERT)).containsText("would fit");
        page.getByLabel("Code size, mm").fill("40");
        page.getByLabel("Of each").fill("13");
        assertThat(page.locator("main")).containsText("2 pages, at true size");
        var download = page.waitForDownload(() -> page.getByText("Sheet as PDF").click());
        assertThat(java.nio.file.Files.readAllBytes(download.path()))
                .startsWith("%PDF-".getBytes(java.nio.charset.StandardCharsets.US_ASCII));
    }

    @Test
    void a_link_is_led_elsewhere_for_some_and_then_for_all() {
        go("/links/" + link(0) + "/leads");
        page.getByText("New rule").click();
        page.getByLabel("phones").check();
        page.locator("#rule-address").fill("localhost:" + site.port() + "/vouchers");
        button("Add rule");
        assertThat(page.locator("main")).containsText("1. On phones");
        assertThat(page.locator("main")).containsText("Everybody else");
        page.getByLabel("Change destination").fill("localhost:" + site.port() + "/courses");
        page.getByLabel("Reason", new Page.GetByLabelOptions().setExact(true)).fill("The offer has ended");
        button("Change destination");
        assertThat(page.locator("main")).containsText("Ola Ness: The offer has ended");
        Page visitor = browser.page(1280, 800);
        await(
                "the host knows",
                () -> http().visit(tenant.host(), slugs.get(0))
                        .headers()
                        .firstValue("Location")
                        .orElseThrow()
                        .contains("/courses"));
        visitor.navigate(address(0));
        assertThat(visitor).hasURL(Pattern.compile(".*/courses\\?utm_source=postcards.*"));
    }
}
