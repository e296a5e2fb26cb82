package wendo.app.browser;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.io.IOException;
import java.util.regex.Pattern;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import wendo.app.audience.visitortags.TagDirectory;
import wendo.app.issue.links.LinkDirectory;
import wendo.standins.AdDesk;

/** A visitor tag is set up at a desk and met on a phone. */
@Tag("browser")
class VisitorTagJourneyTest extends Journey {
    private static final Pattern ARRIVED = Pattern.compile("http://localhost:\\d+/arrived.*wcl=.*");

    @Autowired
    private LinkDirectory links;

    @Autowired
    private TagDirectory directory;

    private Tenant tenant;
    private AdDesk desk;
    private String slug;

    @BeforeEach
    void open() throws IOException {
        tenant = tenant("Dunlin Dinghies");
        desk = AdDesk.start(0, "between-us");
        slug = http().issue(tenant.apiKey(), "http://localhost:" + desk.port() + "/arrived", "Spring", "Postcards")
                .get(0);
        signIn(1280, 800, tenant.email());
    }

    @AfterEach
    void nothing_went_wrong_on_the_way() {
        browser.close();
        desk.close();
        // a desk that is down, and what a shut-up script may not do, are told by the browser and keep nobody
        assertThat(browser.complaints.stream()
                        .filter(one -> !one.contains("422") && !one.contains("ERR_CONNECTION_REFUSED"))
                        .toList())
                .isEmpty();
    }

    private void add(String name, String kind, String address) {
        go("/audiences/tags/new");
        page.getByLabel("Name of the ad desk").fill(name);
        page.getByText(kind, new Page.GetByTextOptions().setExact(true)).click();
        page.getByLabel("Address or snippet").fill("http://localhost:" + desk.port() + address);
        page.getByLabel("Identifier").fill(name.substring(0, 6));
        page.getByText("Switched on").click();
        if (!page.getByLabel("Switched on").isChecked()) {
            page.getByText("Switched on").click();
        }
        button("Add visitor tag");
        page.getByLabel("All links").selectOption("on");
        page.locator("form", new Page.LocatorOptions().setHasText("Used on"))
                .getByRole(AriaRole.BUTTON)
                .click();
        assertThat(page.getByLabel("All links")).hasValue("on");
    }

    private void follow(Page phone) {
        phone.navigate("http://" + tenant.host() + ":" + port + "/" + slug, new Page.NavigateOptions());
    }

    private long tags() {
        return links.findHost(tenant.host())
                .flatMap(host -> host.find(slug))
                .flatMap(link -> directory.find(link.business(), link.link(), link.campaign(), link.brand()))
                .map(found -> found.tags().size())
                .orElse(0);
    }

    @Test
    void a_visitor_is_asked_once_and_goes_on_either_way_and_by_themselves() {
        go("/audiences/tags");
        assertThat(page.locator("main")).containsText("No visitor tags yet.");
        assertThat(Browser.axe(page)).isEmpty();
        go("/audiences/tags/new");
        button("Add visitor tag");
        assertThat(page.locator("#name-fault")).hasText("Give the ad desk’s name.");
        assertThat(Browser.axe(page)).isEmpty();
        add("Gannet Ads", "Image", "/tag/{identifier}.gif");
        add("Petrel Ads", "Script", "/tag.js");
        assertThat(Browser.axe(page)).isEmpty();
        button("Test");
        assertThat(page.locator(".notice")).containsText("The ad desk answered with status 200");
        await("link hosts know", () -> tags() == 2);

        Page phone = browser.page(390, 844);
        follow(phone);
        phone.keyboard().press("Tab"); // who moves with the keyboard is waited for
        assertThat(phone.locator("h1"))
                .containsText("May Dunlin Dinghies show you ads through Gannet Ads, Petrel Ads?");
        assertThat(Browser.axe(phone)).isEmpty();
        assertThat(phone.locator("form button").nth(0).boundingBox().width)
                .isEqualTo(phone.locator("form button").nth(1).boundingBox().width);
        phone.getByText("Yes", new Page.GetByTextOptions().setExact(true)).click();
        phone.waitForURL(ARRIVED);
        assertThat(desk.tagged("Gannet")).isEqualTo(1);
        assertThat(desk.tagged("Petrel"))
                .as("from where no cookie of the link domain is seen")
                .isEqualTo(1);
        assertThat(desk.sawCookies()).isFalse();
        follow(phone);
        phone.waitForURL(ARRIVED);
        assertThat(desk.tagged("Gannet")).as("not asked again").isEqualTo(2);

        Page silent = browser.page(390, 844);
        follow(silent);
        silent.waitForURL(ARRIVED);
        Page no = browser.page(390, 844);
        follow(no);
        no.getByText("No", new Page.GetByTextOptions().setExact(true)).click();
        no.waitForURL(ARRIVED);
        follow(no);
        no.waitForURL(ARRIVED);
        assertThat(desk.tagged("Gannet")).isEqualTo(2);

        go("/audiences/tags");
        await(
                "all is counted",
                () -> count(
                                tenant,
                                "select coalesce(sum(number), 0) from visitor_tag_count where result = 'remembered'")
                        == 2);
        page.reload();
        assertThat(page.locator("main tbody tr").first()).containsText("60% refused");
        assertThat(Browser.axe(page)).isEmpty();
        page.setViewportSize(390, 844);
        page.reload();
        assertThat(Browser.axeAgain(page)).isEmpty();
    }

    @Test
    void a_desk_that_is_down_keeps_nobody() throws IOException {
        AdDesk down = AdDesk.start(0, "between-us");
        down.close();
        add("Gannet Ads", "Image", "/tag/{identifier}.gif");
        page.getByLabel("Needs consent to").selectOption("none");
        page.getByLabel("Address or snippet").fill("http://localhost:" + down.port() + "/tag/{identifier}.gif");
        page.locator("form", new Page.LocatorOptions().setHasText("Needs consent to"))
                .getByRole(AriaRole.BUTTON)
                .click();
        await("link hosts know", () -> tags() == 1);
        Page phone = browser.page(390, 844);
        await("the tag is the changed one", () -> {
            follow(phone);
            phone.waitForURL(ARRIVED);
            return count(tenant, "select coalesce(sum(number), 0) from visitor_tag_count where result = 'failed'") > 0;
        });
    }
}
