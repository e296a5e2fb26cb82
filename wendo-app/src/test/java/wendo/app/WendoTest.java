package wendo.app;

import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.util.Locale;
import java.util.UUID;
import java.util.concurrent.locks.LockSupport;
import java.util.function.BooleanSupplier;
import java.util.function.Supplier;
import org.joda.money.CurrencyUnit;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.boot.test.web.server.LocalServerPort;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.test.context.ContextConfiguration;
import wendo.app.issue.links.LinkDirectory;
import wendo.app.issue.links.LinkHosts;
import wendo.app.platform.accounts.Accounts;
import wendo.app.platform.accounts.ApiKeys;
import wendo.app.platform.accounts.KeyScope;
import wendo.app.platform.accounts.Role;
import wendo.app.platform.business.BusinessId;
import wendo.app.platform.business.BusinessScope;
import wendo.app.platform.business.Businesses;
import wendo.app.visit.sitetag.OwnSites;

/**
 * A test against the whole application on a PostgreSQL of its own; each test brings its own businesses. Queries of
 * repositories are read when they are first used: {@code EntitiesTest} reads all of them.
 */
@SpringBootTest(
        webEnvironment = SpringBootTest.WebEnvironment.RANDOM_PORT,
        properties = {"wendo.link-port=0", "spring.data.jpa.repositories.bootstrap-mode=lazy"})
@ContextConfiguration(initializers = TestDatabase.class)
public abstract class WendoTest {
    public static final String PASSWORD = "a-long-enough-password";
    private static final Duration PATIENCE = Duration.ofSeconds(120);

    @LocalServerPort
    protected int port;

    @Autowired
    protected JdbcClient jdbc;

    @Autowired
    protected BusinessScope scope;

    @Autowired
    private Businesses businesses;

    @Autowired
    private Accounts accounts;

    @Autowired
    private OwnSites sites;

    @Autowired
    private ApiKeys keys;

    @Autowired
    private LinkHosts hosts;

    @Autowired
    private LinkDirectory directory;

    /** Where the pages of every test's business are. */
    public static final String SITE = "https://site.example";

    /** A business with an owner, a key, a link host and a site of its own. */
    public record Tenant(BusinessId id, String name, String email, String apiKey, String host, String siteKey) {}

    protected Tenant tenant(String name) {
        return tenant(name, Locale.UK);
    }

    /** The same in a country whose language and way of writing it has. */
    protected Tenant tenant(String name, Locale locale) {
        BusinessId id = new BusinessId(UUID.randomUUID());
        String host = "go-" + id.value().toString().substring(0, 8) + ".localhost";
        String email = "owner@" + id.value().toString().substring(0, 8) + ".example";
        Tenant tenant = scope.within(id, () -> {
            String siteKey = businesses
                    .open(id, name, new Businesses.Habits(CurrencyUnit.GBP, ZoneId.of("Europe/London"), locale), true)
                    .siteKey();
            accounts.join(accounts.register(email, "Ola Ness", PASSWORD), Role.OWNER);
            sites.add("site.example", "Ola Ness");
            sites.add("localhost", "Ola Ness"); // where browsers find the demo business's pages
            hosts.open("http://" + host + ":" + port);
            return new Tenant(id, name, email, keys.create("test", KeyScope.ALL), host, siteKey);
        });
        await("the link host is known", () -> directory.findHost(host).isPresent());
        return tenant;
    }

    protected Http http() {
        return new Http(port);
    }

    protected <T> T in(Tenant tenant, Supplier<T> work) {
        return scope.within(tenant.id(), work);
    }

    protected long count(Tenant tenant, String sql) {
        return in(tenant, () -> jdbc.sql(sql).query(Long.class).single());
    }

    /** Whether somebody waits for what this transaction holds. */
    protected boolean isWaitedFor() {
        return jdbc.sql("""
                        select exists (select from pg_stat_activity
                            where datname = current_database() and pg_backend_pid() = any(pg_blocking_pids(pid)))
                        """).query(Boolean.class).single();
    }

    /** The key that a page shows once. */
    public static String keyOn(String page) {
        return page.replaceFirst("(?s)^.*(wendo_[0-9a-f]{48}).*$", "$1");
    }

    /** Waits for what another thread brings about, and fails loudly if it does not come. */
    public static void await(String what, BooleanSupplier isSo) {
        Instant end = Instant.now().plus(PATIENCE);
        while (!isSo.getAsBoolean()) {
            if (Instant.now().isAfter(end)) {
                throw new AssertionError("Waited in vain: " + what);
            }
            LockSupport.parkNanos(5_000_000);
        }
    }
}
