package wendo.app.browser;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.regex.Pattern;
import wendo.app.WendoTest;

/** A way through the interface in a real browser. */
abstract class Journey extends WendoTest {
    final Browser browser = new Browser();
    Page page;

    /** Opens the application at a desk, or at another size, and signs in. */
    void signIn(int width, int height, String email) {
        page = browser.page(width, height);
        go("/");
        page.getByLabel("E-mail").fill(email);
        page.getByLabel("Password").fill(PASSWORD);
        button("Sign in");
        assertThat(page).hasURL(Pattern.compile(".*/today.*"));
    }

    void button(String name) {
        page.getByRole(
                        AriaRole.BUTTON,
                        new Page.GetByRoleOptions().setName(name).setExact(true))
                .first()
                .click();
    }

    void go(String path) {
        page.navigate("http://localhost:" + port + path);
    }
}
