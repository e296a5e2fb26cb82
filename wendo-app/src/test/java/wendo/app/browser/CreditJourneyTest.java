package wendo.app.browser;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.List;
import java.util.regex.Pattern;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import wendo.app.Http;

/** From a number in the comparison to the outcomes behind it, to one person's trail, and to who that person is. */
@Tag("browser")
class CreditJourneyTest extends Journey {
    private Tenant tenant;

    @AfterEach
    void nothing_went_wrong_on_the_way() {
        browser.close();
        assertThat(browser.complaints).isEmpty();
    }

    @BeforeEach
    void somebody_who_came_twice() {
        tenant = tenant("Avocet Afloat");
        List<String> slugs = http().issue(tenant.apiKey(), "http://localhost/", "Spring", "Postcards", "Campsite");
        Http visitor = http();
        visitor.visit(tenant.host(), slugs.get(0));
        String click = Http.click(visitor.visit(tenant.host(), slugs.get(1)));
        http().post(tenant.apiKey(), "/api/v1/outcomes", """
                        {"kind": "booking", "reference": "B-1", "value": 90.01, "email": "ines@marsh.example", "clickId": "%s"}
                        """.formatted(click));
        await("it is credited", () -> count(tenant, "select count(*) from credit") == 2);
        signIn(1280, 800, tenant.email());
    }

    private void choose(String name) {
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName(name).setExact(true))
                .first()
                .click();
    }

    private void credit(String model, String clock) {
        page.getByLabel("Credit by").selectOption(new com.microsoft.playwright.options.SelectOption().setLabel(model));
        page.getByLabel("on", new Page.GetByLabelOptions().setExact(true))
                .selectOption(new com.microsoft.playwright.options.SelectOption().setLabel(clock));
    }

    @Test
    void the_model_is_changed_a_number_followed_to_its_rows_and_a_person_parted() {
        choose("Compare");
        credit("First touch", "the day of the outcome");
        assertThat(page).hasURL(Pattern.compile(".*model=first-touch.*"));
        assertThat(page.locator("tr", new Page.LocatorOptions().setHasText("Postcards")))
                .containsText("£90.01");
        credit("Linear", "the day of the outcome");
        assertThat(page.locator("tr", new Page.LocatorOptions().setHasText("Campsite")))
                .containsText("0.50");
        credit("Linear", "the day of the touch");
        assertThat(page).hasURL(Pattern.compile(".*model=linear&clock=touch.*"));
        choose("Campsite");
        looks_right("the panel");
        choose("0.50");
        assertThat(page.getByText("0.50 credited")).isVisible();
        assertThat(page.locator("tr", new Page.LocatorOptions().setHasText("B-1")))
                .containsText("50.0% £45.00");
        looks_right("what stands behind a number");
        choose("Trail");
        assertThat(page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setLevel(1)))
                .hasText("The trail of ines@marsh.example");
        assertThat(page.locator("tr", new Page.LocatorOptions().setHasText("Postcards")))
                .containsText("50.0% of the booking B-1: £45.01");
        looks_right("the trail");
        button("Separate");
        assertThat(page.locator("#joins")).containsText("Separated by Ola Ness.");
        page.reload();
        button("Join again");
        assertThat(page.locator("#joins")).containsText("Ola Ness says they are one person");
        page.setViewportSize(390, 844);
        page.reload();
        looks_right("the trail on a phone");
    }

    @Test
    void a_rule_is_changed_and_all_is_credited_anew_while_the_page_is_open() {
        go("/setup/attribution");
        looks_right("attribution");
        page.getByLabel("Position-based: per cent to the first touch").fill("10");
        page.getByLabel("and to the last").fill("90");
        button("Save");
        assertThat(page.getByText("Last recalculated on")).isVisible();
        choose("Compare");
        credit("Position-based", "the day of the outcome");
        assertThat(page.locator("tr", new Page.LocatorOptions().setHasText("Campsite")))
                .containsText("0.50");
    }

    @Test
    void a_report_is_shared_opened_signed_out_and_taken_back() {
        choose("Compare");
        choose("channels");
        choose("Share a report");
        looks_right("sharing");
        page.getByLabel("Title for readers").fill("Which channels earn");
        page.getByLabel("Campaigns by month").check();
        button("Share");
        String address = page.locator("section a code").first().textContent();
        com.microsoft.playwright.BrowserContext stranger =
                page.context().browser().newContext();
        Page outside = stranger.newPage();
        outside.setViewportSize(390, 844);
        outside.navigate(address);
        assertThat(outside.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setLevel(1))
                        .first())
                .hasText("Which channels earn");
        assertThat(outside.locator("tr", new Page.LocatorOptions().setHasText("Print"))
                        .first())
                .containsText("1");
        assertThat(Browser.axe(outside)).isEmpty();
        assertThat(outside.evaluate("document.documentElement.scrollWidth <= window.innerWidth"))
                .isEqualTo(true);
        page.locator("form[action*=revoke] button").first().click();
        assertThat(page.getByText("Revoked on")).isVisible();
        outside.reload();
        assertThat(outside.getByText("This report cannot be opened")).isVisible();
        stranger.close();
    }

    /** On a phone, for partners send their counts to whoever is standing at the counter. */
    @Test
    void another_systems_counts_are_pasted_and_held_against_ours() {
        page.setViewportSize(390, 844);
        go("/compare/behind/people");
        looks_right("the people behind a number, on a phone");
        assertThat(page.locator("main tbody tr").first()).containsText("see the trail");
        go("/compare");
        choose("Cross-check");
        button("Compare counts");
        assertThat(page.getByText("Choose the source they counted for.")).isVisible();
        looks_right("a refused cross-check");
        browser.complaints.removeIf(complaint -> complaint.contains("422")); // the refusal itself
        page.getByLabel("Source").selectOption("Campsite");
        page.getByLabel("System").fill("The campsite");
        page.getByLabel("Days and numbers").fill("day;visits\n2020-01-01;7");
        button("Compare counts");
        assertThat(page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setLevel(1)))
                .hasText("The campsite says 7 visits, Wendo counted 0");
        assertThat(page.locator("#days-table tbody tr")).containsText("+7");
        looks_right("a cross-check on a phone");
        page.setViewportSize(1280, 800);
        page.reload();
        looks_right("a cross-check");
        button("Remove cross-check");
        button("Restore");
        assertThat(page.getByText("beyond the tolerance of 15%")).isVisible();
    }

    private void looks_right(String what) {
        assertThat(Browser.axe(page)).as(what).isEmpty();
        assertThat(page.evaluate("document.documentElement.scrollWidth <= window.innerWidth"))
                .as("%s is as wide as the screen", what)
                .isEqualTo(true);
    }
}
