package wendo.app.desk.demo;

import java.io.IOException;
import java.net.URI;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.ZoneId;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.UUID;
import org.joda.money.CurrencyUnit;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.ApplicationArguments;
import org.springframework.boot.ApplicationRunner;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.stereotype.Component;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import wendo.app.issue.links.LinkHosts;
import wendo.app.platform.accounts.Accounts;
import wendo.app.platform.accounts.ApiKeys;
import wendo.app.platform.accounts.KeyScope;
import wendo.app.platform.accounts.Role;
import wendo.app.platform.business.Business;
import wendo.app.platform.business.BusinessId;
import wendo.app.platform.business.BusinessScope;
import wendo.app.platform.business.Businesses;
import wendo.app.platform.site.Installation;
import wendo.app.visit.sitetag.OwnSites;
import wendo.simulation.MarramPoint;

/** Makes the demo business on the first start, and on each start writes down how it is reached. */
@Component
@ConditionalOnProperty("wendo.demo")
class DemoStart implements ApplicationRunner {
    private static final BusinessId ID = new BusinessId(UUID.fromString("6d617272-616d-4000-8000-706f696e7400"));
    private static final String PASSWORD = "slack-water-demo";

    record Login(String email, String password, String role) {}

    private static final List<Login> LOGINS = List.of(
            new Login("maren@marrampoint.example", PASSWORD, "owner"),
            new Login("tomas@marrampoint.example", PASSWORD, "staff"));

    private final Accounts accounts;
    private final ApiKeys keys;
    private final Businesses businesses;
    private final BusinessScope scope;
    private final LinkHosts hosts;
    private final OwnSites sites;
    private final DemoSeed seed;
    private final Installation installation;
    private final JsonMapper json;

    @Value("${wendo.app-origin:http://localhost:${server.port}}")
    private String appOrigin = "";

    @Value("${wendo.site-origin}")
    private String siteOrigin = "";

    DemoStart(
            Accounts accounts,
            ApiKeys keys,
            Businesses businesses,
            BusinessScope scope,
            LinkHosts hosts,
            OwnSites sites,
            DemoSeed seed,
            Installation installation,
            JsonMapper json) {
        this.accounts = accounts;
        this.keys = keys;
        this.businesses = businesses;
        this.scope = scope;
        this.hosts = hosts;
        this.sites = sites;
        this.seed = seed;
        this.installation = installation;
        this.json = json;
    }

    @Override
    public void run(ApplicationArguments arguments) throws IOException, InterruptedException {
        if (accounts.isEmpty()) {
            scope.within(ID, () -> open());
        }
        Business business = scope.within(ID, () -> {
            hosts.open(installation.linkOrigin());
            sites.add(URI.create(siteOrigin).getHost(), "Maren Holt");
            sites.add("marrampoint.example", "Maren Holt");
            return businesses.current();
        });
        seed.fill(business, siteOrigin, LOGINS.get(0));
        seed.awaitCredit();
        seed.work(business, LOGINS.get(0));
        write(business);
    }

    private BusinessId open() {
        businesses.open(
                ID,
                MarramPoint.NAME,
                new Businesses.Habits(CurrencyUnit.GBP, ZoneId.of("Europe/London"), Locale.UK),
                true);
        accounts.join(accounts.register(LOGINS.get(0).email(), "Maren Holt", PASSWORD), Role.OWNER);
        accounts.join(accounts.register(LOGINS.get(1).email(), "Tomas Reed", PASSWORD), Role.STAFF);
        return ID;
    }

    private void write(Business business) throws IOException {
        Path file = installation.home().resolve("demo.json");
        JsonNode before = Files.exists(file) ? json.readTree(file.toFile()) : json.createObjectNode();
        String key = before.path("apiKey").asString("");
        boolean isKnown = scope.within(
                ID, () -> keys.list().stream().anyMatch(known -> !key.isEmpty() && key.startsWith(known.start())));
        String usable = isKnown ? key : scope.within(ID, () -> keys.create("Demo scripts", KeyScope.ALL));
        Files.createDirectories(installation.home());
        Files.writeString(
                file,
                json.writerWithDefaultPrettyPrinter()
                        .writeValueAsString(Map.of(
                                "app", appOrigin,
                                "linkHost", installation.linkOrigin(),
                                "site", siteOrigin,
                                "siteKey", business.siteKey(),
                                "apiKey", usable,
                                "logins", LOGINS)));
    }
}
