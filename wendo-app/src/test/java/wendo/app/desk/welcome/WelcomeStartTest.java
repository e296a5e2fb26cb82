package wendo.app.desk.welcome;

import static org.assertj.core.api.Assertions.assertThat;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.ArgumentMatchers.eq;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.never;
import static org.mockito.Mockito.verify;
import static org.mockito.Mockito.verifyNoInteractions;
import static org.mockito.Mockito.when;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermission;
import java.util.List;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.mockito.ArgumentCaptor;
import org.springframework.boot.DefaultApplicationArguments;
import org.springframework.mock.env.MockEnvironment;
import wendo.app.platform.accounts.Accounts;
import wendo.app.platform.site.Installation;

class WelcomeStartTest {
    private final Accounts accounts = mock(Accounts.class);
    private final InstallationClaims claims = mock(InstallationClaims.class);
    private final MockEnvironment settings = new MockEnvironment();

    @TempDir
    private Path home = Path.of("");

    @BeforeEach
    void nobody_is_there() {
        when(accounts.isEmpty()).thenReturn(true);
    }

    private List<String> start() throws IOException {
        Installation installation = new Installation(
                home,
                10,
                java.time.Duration.ofSeconds(1),
                "",
                "",
                "http://localhost:8080",
                "http://go.localhost:8080",
                new Installation.Mail("", 587, "", "", "wendo@localhost", "", "", ""),
                new Installation.Texts("", ""));
        new WelcomeStart(settings, accounts, claims, installation).run(new DefaultApplicationArguments());
        Path file = home.resolve(WelcomeStart.FILE);
        return Files.exists(file) ? Files.readAllLines(file) : List.of();
    }

    private void set(String... settingsAndValues) {
        for (int i = 0; i < settingsAndValues.length; i += 2) {
            settings.setProperty(settingsAndValues[i], settingsAndValues[i + 1]);
        }
    }

    @Test
    void a_first_start_says_where_it_is_claimed_to_whoever_may_read_the_file() throws IOException {
        List<String> lines = start();
        ArgumentCaptor<String> code = ArgumentCaptor.forClass(String.class);
        verify(claims).offer(code.capture());
        assertThat(code.getValue()).as("128 bits").matches("[\\w-]{22}");
        assertThat(lines).containsExactly("Set up Wendo at http://localhost:8080/welcome?code=" + code.getValue());
        assertThat(Files.getPosixFilePermissions(home.resolve(WelcomeStart.FILE)))
                .containsExactlyInAnyOrder(PosixFilePermission.OWNER_READ, PosixFilePermission.OWNER_WRITE);
    }

    @Test
    void the_environment_may_name_the_first_business_and_its_owner() throws IOException {
        set(
                "WENDO_BUSINESS",
                "Teal Tours",
                "WENDO_OWNER_EMAIL",
                "o@teal.example",
                "WENDO_OWNER_PASSWORD",
                "three shells and an otter",
                "WENDO_CURRENCY",
                "PLN");
        assertThat(start()).isEmpty();
        verify(claims).openNow(eq(new BusinessForm("Teal Tours", "PLN", "Europe/Berlin", "en-GB")), any());
        verify(claims, never()).offer(any());
    }

    @Test
    void what_is_wrong_with_the_environment_is_said_in_words_and_opens_nothing() throws IOException {
        set(
                "WENDO_OWNER_EMAIL",
                "teal",
                "WENDO_OWNER_PASSWORD",
                "short",
                "WENDO_CURRENCY",
                "quid",
                "WENDO_ZONE",
                "Europe/Teal",
                "WENDO_LOCALE",
                "english");
        assertThat(start())
                .hasSize(7)
                .contains(
                        "WENDO_BUSINESS is not set. Give the name of the business.",
                        "WENDO_CURRENCY is “quid”, which is no currency of ISO 4217. Write it like EUR or GBP.",
                        "WENDO_ZONE is “Europe/Teal”, which is no time zone. Write it like Europe/Berlin.",
                        "WENDO_LOCALE is “english”, which is no language with a country. Write it like en-GB.",
                        "WENDO_OWNER_EMAIL is “teal”, which is no e-mail address.",
                        "WENDO_OWNER_PASSWORD is refused. Use 12 characters or more.")
                .last()
                .asString()
                .startsWith("Set up Wendo at ");
        verify(claims, never()).openNow(any(), any());
    }

    @Test
    void a_later_start_changes_nothing_and_its_address_leads_nowhere() throws IOException {
        start();
        when(accounts.isEmpty()).thenReturn(false);
        assertThat(start()).isEmpty();
    }

    @Test
    void the_demo_opens_its_own_business() throws IOException {
        set("wendo.demo", "true");
        assertThat(start()).isEmpty();
        verifyNoInteractions(claims);
    }
}
