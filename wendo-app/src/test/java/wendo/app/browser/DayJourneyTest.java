package wendo.app.browser;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.options.AriaRole;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** A day is typed as people write it, or pointed at in a calendar, with the mouse and with the keyboard alone. */
class DayJourneyTest extends Journey {
    @BeforeEach
    void open() {
        Tenant tenant = tenant("Curlew Cruises");
        http().issue(tenant.apiKey(), "https://curlew.example/", "Spring", "Radio");
        signIn(1280, 800, tenant.email());
        go("/spend");
    }

    @AfterEach
    void close() {
        browser.close();
    }

    private Locator field() {
        return page.locator("#firstDay");
    }

    private Locator sheet() {
        return page.locator(".day-field:has(#firstDay) [data-calendar]");
    }

    private void openCalendar() {
        page.locator(".day-field:has(#firstDay) > button").click();
        assertThat(sheet()).isVisible();
    }

    @Test
    void the_calendar_is_walked_through_by_keyboard() {
        field().fill("28/02/2028");
        openCalendar();
        assertThat(sheet().locator("[aria-pressed=true]")).hasText("28");
        assertThat(sheet().locator("[data-day='2028-02-28']")).isFocused();
        page.keyboard().press("ArrowRight");
        assertThat(sheet().locator("[data-day='2028-02-29']")).isFocused();
        page.keyboard().press("PageDown");
        assertThat(sheet().locator("[data-day='2028-03-29']")).isFocused();
        page.keyboard().press("ArrowUp");
        page.keyboard().press("Enter");
        assertThat(field()).hasValue("22/03/2028");
        assertThat(sheet()).isHidden();
    }

    @Test
    void escape_closes_it_and_leaves_the_field_as_it_was() {
        field().fill("31/01/2027");
        openCalendar();
        page.keyboard().press("PageDown");
        assertThat(sheet().locator("[data-day='2027-02-28']")).isFocused();
        page.keyboard().press("Escape");
        assertThat(sheet()).isHidden();
        assertThat(field()).hasValue("31/01/2027");
        assertThat(page.locator(".day-field:has(#firstDay) > button")).isFocused();
    }

    @Test
    void weeks_begin_on_monday_months_are_turned_by_mouse_and_nothing_is_found_by_axe() {
        field().fill("15/06/2026");
        openCalendar();
        assertThat(sheet().locator("th").first()).hasText("Mon");
        assertThat(sheet().locator("strong")).hasText("June 2026");
        sheet().getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Next month"))
                .click();
        assertThat(sheet().locator("strong")).hasText("July 2026");
        assertThat(Browser.axe(page)).isEmpty();
        sheet().locator("[data-day='2026-07-04']").click();
        assertThat(field()).hasValue("04/07/2026");
    }

    @Test
    void a_typed_day_is_saved_and_nonsense_comes_back_as_it_was_typed() {
        page.locator("#subject").selectOption(new com.microsoft.playwright.options.SelectOption().setLabel("Radio"));
        page.locator("#amount").fill("45");
        field().fill("someday");
        page.locator("#lastDay").fill("3 May 2026");
        page.locator("form:has(#subject) button.main").click();
        assertThat(page.locator("#firstDay-fault")).isVisible();
        assertThat(field()).hasValue("someday");
        assertThat(page.locator("#lastDay")).hasValue("03/05/2026");
        field().fill("1st of May 2026");
        page.locator("form:has(#subject) button.main").click();
        go("/spend?from=2026-05-01&to=2026-05-31");
        assertThat(page.locator("main")).containsText("£45.00, 1 May – 3 May 2026");
    }
}
