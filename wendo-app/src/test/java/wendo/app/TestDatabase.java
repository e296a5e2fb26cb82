package wendo.app;

import java.io.IOException;
import java.nio.file.Files;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.Map;
import java.util.Objects;
import java.util.UUID;
import org.flywaydb.core.Flyway;
import org.flywaydb.core.api.configuration.FluentConfiguration;
import org.springframework.boot.test.util.TestPropertyValues;
import org.springframework.context.ApplicationContextInitializer;
import org.springframework.context.ConfigurableApplicationContext;

/** Databases of the test's own, cloned from one that is migrated once for each run. */
public final class TestDatabase implements ApplicationContextInitializer<ConfigurableApplicationContext> {
    private static final String SERVER = Objects.requireNonNull(
            System.getenv("WENDO_TEST_DB"), "Run the tests by ./wendo test, which starts their PostgreSQL");
    private static final String TEMPLATE = template();

    /** A fresh database with all tables and no rows. */
    public static String fresh() {
        String name = "t_" + UUID.randomUUID().toString().replace("-", "");
        execute("create database %s template %s owner wendo_owner".formatted(name, TEMPLATE));
        return SERVER + "/" + name;
    }

    /** What an application on this database and this folder is told. */
    static Map<String, String> settings(String url, String home) {
        return Map.of(
                "WENDO_DB_URL",
                url,
                "WENDO_HOME",
                home,
                "WENDO_PORT",
                "0",
                "SERVER_ADDRESS",
                "127.0.0.1",
                "WENDO_AS_ROOT",
                "yes",
                "WENDO_BCRYPT_STRENGTH",
                "4"); // the least there is: tests sign in a thousand times
    }

    public static Connection connect(String url, String role) throws SQLException {
        return DriverManager.getConnection(url, role, "");
    }

    /** As another role, to a database whose name a test has asked for. */
    public static Connection connectTo(String database, String role) throws SQLException {
        return connect(SERVER + "/" + database, role);
    }

    private static String template() {
        return at("latest").replace(SERVER + "/", "");
    }

    /** A database as it was after a migration. */
    static String at(String version) {
        String url = SERVER + "/template_" + UUID.randomUUID().toString().replace("-", "");
        execute("create database %s owner wendo_owner".formatted(url.replace(SERVER + "/", "")));
        flyway(url).target(version).load().migrate();
        return url;
    }

    /** Brings it to the latest. */
    static void migrate(String url) {
        flyway(url).load().migrate();
    }

    private static FluentConfiguration flyway(String url) {
        return Flyway.configure()
                .dataSource(url, "wendo_owner", "")
                .placeholders(Map.of("appRole", "wendo_app", "intakeRole", "wendo_intake"));
    }

    private static void execute(String sql) {
        try (Connection connection = connect(SERVER + "/postgres", "postgres");
                Statement statement = connection.createStatement()) {
            statement.execute(sql);
        } catch (SQLException e) {
            throw new IllegalStateException(sql, e);
        }
    }

    @Override
    public void initialize(ConfigurableApplicationContext context) {
        try {
            String home = Files.createTempDirectory("wendo-test").toString();
            TestPropertyValues.of(settings(fresh(), home))
                    .and("wendo.jobs-every=100ms")
                    .and("wendo.home=" + home) // else the caller's WENDO_HOME comes first
                    .and(TestPost.settings())
                    .applyTo(context);
        } catch (IOException e) {
            throw new IllegalStateException(e);
        }
    }
}
