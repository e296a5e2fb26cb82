package wendo.app.desk.setup;

import java.time.ZoneId;
import java.util.Locale;
import java.util.UUID;
import org.joda.money.CurrencyUnit;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.ApplicationArguments;
import org.springframework.boot.ApplicationRunner;
import org.springframework.core.env.Environment;
import org.springframework.stereotype.Component;
import wendo.app.issue.links.LinkHosts;
import wendo.app.platform.accounts.Accounts;
import wendo.app.platform.accounts.Role;
import wendo.app.platform.business.BusinessId;
import wendo.app.platform.business.BusinessScope;
import wendo.app.platform.business.Businesses;

/** Makes the first business and its owner from environment variables, on a start without any business. */
@Component
class NewBusiness implements ApplicationRunner {
    private static final Logger LOG = LoggerFactory.getLogger(NewBusiness.class);
    private static final int MIN_PASSWORD = 12;

    private final Environment settings;
    private final Accounts accounts;
    private final Businesses businesses;
    private final LinkHosts hosts;
    private final BusinessScope scope;

    NewBusiness(Environment settings, Accounts accounts, Businesses businesses, LinkHosts hosts, BusinessScope scope) {
        this.settings = settings;
        this.accounts = accounts;
        this.businesses = businesses;
        this.hosts = hosts;
        this.scope = scope;
    }

    @Override
    public void run(ApplicationArguments arguments) {
        if (settings.getProperty("wendo.demo", Boolean.class, false) || !accounts.isEmpty()) {
            return;
        }
        String email = settings.getProperty("WENDO_OWNER_EMAIL", "");
        String password = settings.getProperty("WENDO_OWNER_PASSWORD", "");
        String name = settings.getProperty("WENDO_BUSINESS", "");
        if (email.isBlank() || password.length() < MIN_PASSWORD || name.isBlank()) {
            LOG.warn(
                    "Nobody can sign in yet. Set WENDO_BUSINESS, WENDO_OWNER_EMAIL and WENDO_OWNER_PASSWORD "
                            + "({} characters or more), then start again",
                    MIN_PASSWORD);
            return;
        }
        open(email, password, name);
        LOG.info("The business and its owner are set up");
    }

    private void open(String email, String password, String name) {
        BusinessId id = new BusinessId(UUID.randomUUID());
        scope.within(id, () -> {
            businesses.open(
                    id,
                    name,
                    CurrencyUnit.of(settings.getProperty("WENDO_CURRENCY", "EUR")),
                    ZoneId.of(settings.getProperty("WENDO_ZONE", "Europe/Berlin")),
                    Locale.forLanguageTag(settings.getProperty("WENDO_LOCALE", "en-GB")),
                    false);
            accounts.join(
                    accounts.register(email, settings.getProperty("WENDO_OWNER_NAME", email), password), Role.OWNER);
            hosts.open(settings.getRequiredProperty("wendo.link-origin"));
            return id;
        });
    }
}
