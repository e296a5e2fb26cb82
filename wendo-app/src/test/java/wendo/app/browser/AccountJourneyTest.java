package wendo.app.browser;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.google.gson.JsonObject;
import com.microsoft.playwright.CDPSession;
import com.microsoft.playwright.Page;
import java.util.List;
import java.util.regex.Pattern;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** Signing in by passkey, and an invitation that is accepted on a phone. */
class AccountJourneyTest extends Journey {
    private Tenant tenant;

    @BeforeEach
    void open() {
        tenant = tenant("Smew Sailing");
    }

    @AfterEach
    void close() {
        browser.close();
    }

    /** Chromium's virtual authenticator, which says yes to everything (DevTools protocol, domain WebAuthn). */
    private void addAuthenticator() {
        CDPSession tools = page.context().newCDPSession(page);
        tools.send("WebAuthn.enable");
        JsonObject options = new JsonObject();
        options.addProperty("protocol", "ctap2");
        options.addProperty("transport", "internal");
        options.addProperty("hasResidentKey", true);
        options.addProperty("hasUserVerification", true);
        options.addProperty("isUserVerified", true);
        options.addProperty("automaticPresenceSimulation", true);
        JsonObject authenticator = new JsonObject();
        authenticator.add("options", options);
        tools.send("WebAuthn.addVirtualAuthenticator", authenticator);
    }

    @Test
    void a_passkey_is_added_signs_in_and_confirms_who_it_is() {
        signIn(1280, 800, tenant.email());
        addAuthenticator();
        go("/account");
        assertThat(Browser.axe(page)).isEmpty();
        page.getByLabel("Name of the passkey").fill("Boat shed tablet");
        button("Add passkey");
        assertThat(page.locator("#passkeys strong")).hasText("Boat shed tablet");

        page.context().clearCookies();
        go("/links");
        assertThat(page).hasURL(Pattern.compile(".*/sign-in.*"));
        assertThat(Browser.axe(page)).isEmpty();
        button("Use a passkey");
        assertThat(page).hasURL(Pattern.compile(".*/links.*"));

        in(
                tenant,
                () -> jdbc.sql("delete from spring_session_attributes where attribute_name = 'wendo.confirmedAt'")
                        .update());
        go("/setup/keys");
        page.getByLabel("Name", new Page.GetByLabelOptions().setExact(true)).fill("Till");
        button("New key");
        assertThat(page.getByText("Confirm it’s you").first()).isVisible();
        assertThat(Browser.axe(page)).isEmpty();
        button("Use a passkey");
        assertThat(page.getByText("wendo_").first()).isVisible();
        assertThat(count(tenant, "select count(*) from api_key where name = 'Till'"))
                .isOne();

        go("/account");
        page.locator("#passkeys form[action$='/remove'] button").click();
        assertThat(page.locator("#passkeys strong")).hasCount(0);
        browser.complaints.removeIf(complaint -> complaint.contains("422"));
        assertThat(browser.complaints).isEmpty();
    }

    @Test
    void an_invitation_is_accepted_on_a_phone() {
        signIn(1280, 800, tenant.email());
        go("/setup/people");
        assertThat(Browser.axe(page)).isEmpty();
        page.getByLabel("E-mail").fill("tomas@smew.example");
        page.locator("#new-role").selectOption("manager");
        button("Send invitation");
        String address = page.locator("#invitation-address").textContent();
        Page phone = browser.page(390, 844);
        phone.navigate(address.replaceFirst("^https?://[^/]+", "http://localhost:" + port));
        assertThat(Browser.axe(phone)).isEmpty();
        phone.getByLabel("Your name").fill("Tomas Reed");
        phone.getByLabel("New password").fill("three shells and an otter");
        phone.getByText("Join", new Page.GetByTextOptions().setExact(true)).click();
        assertThat(phone).hasURL(Pattern.compile(".*/today.*"));
        for (String path : List.of("/account", "/today")) {
            phone.navigate("http://localhost:" + port + path);
            assertThat(phone.evaluate("document.documentElement.scrollWidth <= innerWidth"))
                    .as(path + " fits a phone")
                    .isEqualTo(true);
        }
        page.reload();
        assertThat(page.locator("tr")
                        .filter(new com.microsoft.playwright.Locator.FilterOptions().setHasText("Tomas Reed"))
                        .locator("select"))
                .hasValue("manager");
        page.locator("tr")
                .filter(new com.microsoft.playwright.Locator.FilterOptions().setHasText("Tomas Reed"))
                .locator("select")
                .selectOption("viewer");
        assertThat(page.getByText("Tomas Reed is Viewer now.")).isVisible();
        page.setViewportSize(390, 844);
        assertThat(page.evaluate("document.documentElement.scrollWidth <= innerWidth"))
                .isEqualTo(true);
        assertThat(browser.complaints).isEmpty();
    }
}
