package wendo.app.browser;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.regex.Pattern;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import wendo.app.AppProcess;
import wendo.app.Http;
import wendo.app.TestDatabase;
import wendo.app.WendoTest;
import wendo.standins.DemoSite;

/** From a start with nobody in it to the first links and the first visit. */
class WelcomeJourneyTest extends WendoTest {
    private final Browser browser = new Browser();

    @TempDir
    private Path home = Path.of("");

    private Page page;
    private int steps;

    @AfterEach
    void close() {
        browser.close();
    }

    private void type(String label, String text) {
        page.getByLabel(label, new Page.GetByLabelOptions().setExact(true)).fill(text);
        steps++;
    }

    private void press(String name) {
        Locator button = page.getByRole(
                AriaRole.BUTTON, new Page.GetByRoleOptions().setName(name).setExact(true));
        Locator link = page.getByRole(
                AriaRole.LINK, new Page.GetByRoleOptions().setName(name).setExact(true));
        button.or(link).first().click();
        steps++;
    }

    private void assertSound() {
        assertThat(Browser.axe(page)).as(page.url()).isEmpty();
        page.setViewportSize(390, 844);
        assertThat(page.evaluate("document.documentElement.scrollWidth <= innerWidth"))
                .as(page.url() + " fits a phone")
                .isEqualTo(true);
        page.setViewportSize(1280, 800);
    }

    @Test
    void an_empty_installation_is_claimed_by_its_code_and_ends_on_links_that_work() throws Exception {
        try (AppProcess app = AppProcess.unclaimed(TestDatabase.fresh(), home, AppProcess.FAST_START);
                DemoSite site = DemoSite.start(0, "http://go.localhost:" + app.port(), "none")) {
            await("it answers", app::isUp);
            Http stranger = new Http(app.port());
            assertThat(stranger.get("/sign-in/welcome/business").headers().firstValue("Location"))
                    .hasValue("/sign-in/welcome");
            assertThat(stranger.get("/sign-in/welcome?code=guess").statusCode()).isEqualTo(422);
            assertThat(stranger.form("/sign-in", "/sign-in/welcome/owner", "name", "Eve", "email", "eve@reed.example")
                            .headers()
                            .firstValue("Location"))
                    .as("whoever merely reaches the port claims nothing")
                    .hasValue("/sign-in/welcome");

            String address = Files.readString(home.resolve("welcome")).replaceFirst("(?s)^.* (http\\S+).*$", "$1");
            page = browser.page(1280, 800);
            page.navigate(address);
            assertThat(page.getByLabel("Time zone")).not().hasValue("");
            assertSound();
            press("Continue");
            type("Name", "Teal Tours");
            page.getByLabel("Currency").selectOption("GBP");
            steps++;
            press("Continue");
            page.navigate(address.replaceFirst("\\?.*$", "")); // left, and come back
            assertThat(page.getByLabel("Name", new Page.GetByLabelOptions().setExact(true)))
                    .hasValue("Teal Tours");
            press("Continue");
            assertSound();
            type("Your name", "Ines Marsh");
            type("E-mail", "ines@teal.example");
            type("New password", "teal tours");
            press("Continue");
            assertThat(page.getByText("Use 12 characters or more.")).isVisible();
            type("New password", "three shells and an otter");
            press("Continue");
            assertThat(page.getByText("Works on this computer, to begin with")).isVisible();
            assertSound();
            press("Continue");
            assertSound();
            type("First page", "localhost:" + site.port() + "/courses");
            page.getByLabel("Kind of business").selectOption("craft");
            steps++;
            assertThat(page.getByLabel("Vehicle")).isChecked();
            page.getByLabel("Partner").uncheck();
            steps++;
            press("Continue");
            assertSound();
            page.getByLabel("Ending for Vehicle").fill("van");
            steps++;
            press("Issue 6 links");
            assertThat(page.locator("article .stub, .stub").first()).isVisible();
            assertThat(page).hasURL(Pattern.compile(".*/issue/done\\?link=.*"));
            assertThat(steps).as("clicks and fields").isLessThanOrEqualTo(25);

            Http visitor = new Http(app.port());
            await(
                    "the link leads on",
                    () -> visitor.visit("go.localhost", "van").statusCode() == 302);
            page.navigate("http://localhost:" + app.port() + "/today");
            assertThat(page.getByText("First steps")).isVisible();
            assertThat(page.locator(".first-steps .is-seen")
                            .filter(new Locator.FilterOptions().setHasText("First links issued")))
                    .isVisible();
            await("the visit is seen", () -> {
                page.reload();
                return page.locator(".first-steps .is-seen")
                        .filter(new Locator.FilterOptions().setHasText("First visit"))
                        .isVisible();
            });
            press("Dismiss");
            assertThat(page.getByText("First steps")).hasCount(0);
            assertThat(stranger.get("/sign-in/welcome").headers().firstValue("Location"))
                    .hasValue("/sign-in");
            assertThat(Files.exists(home.resolve("welcome"))).isFalse();
            browser.complaints.removeIf(complaint -> complaint.contains("422")); // the password that was refused
            assertThat(browser.complaints).isEmpty();
        }
    }
}
