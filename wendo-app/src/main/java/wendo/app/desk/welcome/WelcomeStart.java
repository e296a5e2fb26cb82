package wendo.app.desk.welcome;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import java.util.ArrayList;
import java.util.List;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.ApplicationArguments;
import org.springframework.boot.ApplicationRunner;
import org.springframework.core.env.Environment;
import org.springframework.stereotype.Component;
import wendo.app.platform.accounts.Accounts;
import wendo.app.platform.business.BusinessDetails;
import wendo.app.platform.site.Installation;
import wendo.app.platform.site.RandomToken;
import wendo.app.platform.site.Texts;

/**
 * On a start with nobody in it: opens the business that the environment names, or writes down where the installation is
 * claimed. The address holds a code, so nobody who merely reaches the port can claim it.
 */
@Component
class WelcomeStart implements ApplicationRunner {
    /** Read by the command that starts the application, which shows it on the console. */
    static final String FILE = "welcome";

    private static final Logger LOG = LoggerFactory.getLogger(WelcomeStart.class);

    private final Environment settings;
    private final Accounts accounts;
    private final InstallationClaims claims;
    private final Installation installation;

    WelcomeStart(Environment settings, Accounts accounts, InstallationClaims claims, Installation installation) {
        this.settings = settings;
        this.accounts = accounts;
        this.claims = claims;
        this.installation = installation;
    }

    @Override
    public void run(ApplicationArguments arguments) throws IOException {
        if (settings.getProperty("wendo.demo", Boolean.class, false) || !accounts.isEmpty()) {
            forget();
            return;
        }
        List<String> lines = new ArrayList<>();
        if (isSet("WENDO_BUSINESS") || isSet("WENDO_OWNER_EMAIL") || isSet("WENDO_OWNER_PASSWORD")) {
            lines.addAll(openFromSettings());
            if (lines.isEmpty()) {
                forget();
                LOG.info("The business and its owner are set up");
                return;
            }
        }
        String code = RandomToken.next();
        claims.offer(code);
        lines.add(Texts.of("desk.welcome.set-up-at", installation.origin() + "/welcome?code=" + code));
        lines.forEach(LOG::warn);
        write(lines);
    }

    /** Answers what is wrong with the settings, a line each; the business is open if there is nothing. */
    private List<String> openFromSettings() {
        BusinessForm form = new BusinessForm(
                settings.getProperty("WENDO_BUSINESS", "").strip(),
                settings.getProperty("WENDO_CURRENCY", "EUR"),
                settings.getProperty("WENDO_ZONE", "Europe/Berlin"),
                settings.getProperty("WENDO_LOCALE", "en-GB"));
        String email = settings.getProperty("WENDO_OWNER_EMAIL", "").strip();
        String password = settings.getProperty("WENDO_OWNER_PASSWORD", "");
        String name = settings.getProperty("WENDO_OWNER_NAME", email);
        List<String> wrong = new ArrayList<>();
        if (form.name().isEmpty()) {
            wrong.add(Texts.of("desk.welcome.setting-business"));
        }
        if (!BusinessDetails.isCurrency(form.currency())) {
            wrong.add(Texts.of("desk.welcome.setting-currency", form.currency()));
        }
        if (!BusinessDetails.isZone(form.zone())) {
            wrong.add(Texts.of("desk.welcome.setting-zone", form.zone()));
        }
        if (!BusinessDetails.isLocale(form.locale())) {
            wrong.add(Texts.of("desk.welcome.setting-locale", form.locale()));
        }
        if (!email.contains("@")) {
            wrong.add(Texts.of("desk.welcome.setting-email", email));
        }
        Accounts.passwordFault(password, name, email, form.name())
                .ifPresent(fault -> wrong.add(Texts.of("desk.welcome.setting-password", fault)));
        if (wrong.isEmpty()) {
            claims.openNow(form, people -> people.register(email, name, password));
        }
        return wrong;
    }

    private boolean isSet(String setting) {
        return !settings.getProperty(setting, "").isBlank();
    }

    private Path file() {
        return installation.home().resolve(FILE);
    }

    private void write(List<String> lines) throws IOException {
        Files.createDirectories(installation.home());
        Files.deleteIfExists(file());
        Files.createFile(file(), PosixFilePermissions.asFileAttribute(PosixFilePermissions.fromString("rw-------")));
        Files.write(file(), lines);
    }

    /** Once it is claimed, the address leads nowhere. */
    void forget() {
        try {
            Files.deleteIfExists(file());
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
