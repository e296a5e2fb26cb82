package wendo.app.browser;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Page;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import wendo.app.Http;
import wendo.app.WendoTest;
import wendo.standins.DemoSite;

/** The site tag in a real browser, on a site with a strict policy. */
@Tag("browser")
class TagJourneyTest extends WendoTest {
    private final Browser browser = new Browser();
    private Tenant tenant;
    private DemoSite site;
    private String link = "";

    @BeforeEach
    void open() throws Exception {
        tenant = tenant("Sandpiper Surf");
        site = DemoSite.start(0, "http://" + tenant.host() + ":" + port, tenant.siteKey());
        String slug = http().issue(tenant.apiKey(), "http://localhost:" + site.port() + "/", "Spring", "Postcards")
                .get(0);
        link = "http://" + tenant.host() + ":" + port + "/" + slug;
        await("the link is known", () -> http().visit(tenant.host(), slug).statusCode() == 302);
    }

    @AfterEach
    void nothing_went_wrong_on_the_way() {
        browser.close();
        site.close();
        assertThat(browser.complaints).isEmpty();
    }

    /** The tag as a business sets it up that asks its visitors first: marked before it is run. */
    private static final String ASKS = """
            new MutationObserver(() =>
                document.querySelectorAll('script[data-site]').forEach((tag) => (tag.dataset.consent = 'ask')))
                .observe(document, { childList: true, subtree: true })
            """;

    private static void awaitTag(Page page) {
        await("the tag runs", () -> page.evaluate("typeof window.wendo").equals("function"));
    }

    private static void report(Page page, String kind, String reference) {
        page.waitForResponse(
                response -> response.url().endsWith("/t/outcomes") && response.status() == 204,
                () -> page.evaluate(
                        "([kind, reference]) => wendo(kind, { reference })", new String[] {kind, reference}));
    }

    private static boolean isKept(Page page) {
        return page.evaluate("document.cookie").toString().matches(".*wendo_click=[0-9a-z]{26}.*");
    }

    private long joined() {
        return count(tenant, "select count(*) from outcome where click_id is not null");
    }

    @Test
    void nothing_is_kept_before_consent_and_nothing_is_left_after_it_is_withdrawn() {
        Page page = browser.page(1280, 800);
        page.addInitScript(ASKS);
        page.navigate(link);
        awaitTag(page);
        assertThat(isKept(page)).isFalse();
        report(page, "lead", "L-1");
        assertThat(joined()).as("the page itself knows its visit").isOne();
        page.evaluate("wendo('consent', true)");
        assertThat(isKept(page)).isTrue();
        page.navigate("http://localhost:" + site.port() + "/courses");
        awaitTag(page);
        report(page, "booking", "B-1");
        assertThat(joined()).as("further along the funnel").isEqualTo(2);
        page.evaluate("wendo('consent', false)");
        assertThat(isKept(page)).isFalse();
        report(page, "purchase", "P-1");
        assertThat(joined()).isEqualTo(2);
        assertThat(count(tenant, "select count(*) from outcome")).isEqualTo(3);
    }

    /** The tag as on a site in Dutch whose links earn, and what a page has in its middle. */
    private static final String DISCLOSES = """
            new MutationObserver(() => {
                document.documentElement.lang = 'nl'
                document.querySelectorAll('script[data-site]').forEach((tag) => (tag.dataset.disclosure = ''))
            }).observe(document, { childList: true, subtree: true })
            document.addEventListener('DOMContentLoaded', () => (document.querySelector('main').innerHTML = `%s`))
            """;

    private Page disclosing(String middle) {
        Page page = browser.page(390, 844);
        page.addInitScript(DISCLOSES.formatted(middle));
        page.navigate("http://localhost:" + site.port() + "/courses");
        awaitTag(page);
        return page;
    }

    @Test
    void links_that_earn_say_so_before_the_first_or_beside_each_and_later_ones_too() {
        in(tenant, () -> jdbc.sql("update link set is_paid = true").update());
        Http person = http().signIn(tenant.email());
        person.form("/setup/disclosure", "/setup/disclosure", "version", "0", "place", "first");
        Page page = disclosing("""
                <p>See <a id="other" href="/courses">courses</a></p>
                <ul><li><a id="one" href="%1$s?from=page">One</a></li></ul>
                <p><a id="two" href="%1$s">Two</a></p>
                <p>Advertentie: wij ontvangen een commissie als u via deze link koopt.</p>
                """.formatted(link));
        page.waitForSelector(".wendo-disclosure");
        assertThat(page.evaluate("document.querySelector('main ul').previousElementSibling.textContent"))
                .isEqualTo("Advertentie: wij ontvangen een commissie als u via deze link koopt.");
        assertThat(page.locator(".wendo-disclosure").count()).isOne();
        assertThat(page.locator("#two").getAttribute("rel")).isEqualTo("sponsored nofollow");
        assertThat(page.locator("#other").getAttribute("rel")).isNull();
        person.form("/setup/disclosure", "/setup/disclosure", "version", "1", "place", "each", "nl", "(adv)");
        Page again = disclosing("");
        again.evaluate("""
                (link) => {
                    const one = document.createElement('a')
                    one.href = link
                    one.textContent = 'Later'
                    document.querySelector('main').append(one)
                }""", link);
        again.waitForSelector("a + .wendo-disclosure");
        assertThat(again.locator("main").textContent()).isEqualTo("Later (adv)");
    }

    @Test
    void a_browser_that_asks_for_privacy_is_heard() {
        Page page = browser.page(390, 844);
        page.addInitScript("Object.defineProperty(navigator, 'globalPrivacyControl', { get: () => true })");
        page.navigate(link);
        awaitTag(page);
        assertThat(isKept(page)).isFalse();
        report(page, "lead", "L-2");
        assertThat(joined()).isOne();
    }
}
