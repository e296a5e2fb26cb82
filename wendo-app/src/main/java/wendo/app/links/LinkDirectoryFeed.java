package wendo.app.links;

import java.sql.Array;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.sql.Timestamp;
import java.time.Instant;
import java.time.ZoneId;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;
import org.postgresql.PGConnection;
import org.postgresql.PGNotification;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.jdbc.autoconfigure.DataSourceProperties;
import org.springframework.context.SmartLifecycle;
import org.springframework.stereotype.Component;
import wendo.app.business.BusinessId;
import wendo.core.links.Way;

/**
 * Keeps the {@link LinkDirectory} true: loads it whole on each new connection, then listens for changes that any
 * application process makes. While the database is away the directory stays as it was.
 */
@Component
class LinkDirectoryFeed implements SmartLifecycle {
    private static final Logger LOG = LoggerFactory.getLogger(LinkDirectoryFeed.class);
    private static final int WAIT_MILLIS = 1000;
    private static final int PORTION = 10_000;
    private static final String HOSTS =
            "select name, host_id, business_id, business_name, forwards_to, keeps_cookie from door_link_hosts()";
    private static final String LINKS = """
            select host, slug, link_id, source_id, business_id, destination_id, tagged_address, opens_at, closes_at,
                outside_address, zone, branches, subscribes, asks
            from\s""";

    private final LinkDirectory directory;
    private final DataSourceProperties database;
    private final CountDownLatch loaded = new CountDownLatch(1);
    private volatile CountDownLatch stopped = new CountDownLatch(0);

    LinkDirectoryFeed(LinkDirectory directory, DataSourceProperties database) {
        this.directory = directory;
        this.database = database;
    }

    @Override
    public void start() {
        stopped = new CountDownLatch(1);
        Thread thread = new Thread(this::follow, "link-directory");
        thread.setDaemon(true);
        thread.start();
        try {
            // A host that answers before it knows its links would tell visitors that a good link is dead.
            loaded.await(30, TimeUnit.SECONDS);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }

    @Override
    public void stop() {
        stopped.countDown();
    }

    @Override
    public boolean isRunning() {
        return stopped.getCount() > 0;
    }

    /** Before the web server, which starts in a later phase. */
    @Override
    public int getPhase() {
        return 0;
    }

    private void follow() {
        while (isRunning()) {
            try (Connection connection = DriverManager.getConnection(
                    database.determineUrl(), database.determineUsername(), database.determinePassword())) {
                listen(connection);
            } catch (SQLException | RuntimeException e) {
                LOG.warn("The link directory lost the database; links go on as last known: {}", e.getMessage());
                pause();
            }
        }
    }

    private void listen(Connection connection) throws SQLException {
        try (Statement statement = connection.createStatement()) {
            statement.execute("listen wendo_link");
            statement.execute("listen wendo_link_host");
        }
        loadAll(connection);
        loaded.countDown();
        PGConnection notifications = connection.unwrap(PGConnection.class);
        while (isRunning()) {
            heed(connection, notifications.getNotifications(WAIT_MILLIS));
        }
    }

    /** A sheet of thousands of links tells of each; they are read together. */
    private void heed(Connection connection, PGNotification[] changes) throws SQLException {
        Set<UUID> links = new LinkedHashSet<>();
        Set<UUID> hostsOrBusinesses = new LinkedHashSet<>();
        for (PGNotification change : changes) {
            (change.getName().equals("wendo_link") ? links : hostsOrBusinesses)
                    .add(UUID.fromString(change.getParameter()));
        }
        if (!hostsOrBusinesses.isEmpty()) {
            // The links of all others stay as they are: to read millions anew would keep a new one waiting.
            directory.replace(hosts(connection, id -> directory.targetsOf(id)));
            for (UUID changed : hostsOrBusinesses) {
                query(connection, "door_links_of(?)", changed, directory::put);
            }
        }
        if (!links.isEmpty()) {
            Array these = connection.createArrayOf("uuid", links.toArray());
            query(connection, "door_links(?)", these, directory::put);
        }
    }

    private void loadAll(Connection connection) throws SQLException {
        Map<String, LinkDirectory.Host> hosts = hosts(connection, id -> LinkDirectory.noTargets());
        query(connection, "door_links()", null, (name, slug, target) -> {
            LinkDirectory.Host host = hosts.get(name);
            if (host != null) { // else it was made between the two statements, and we are told of it next
                host.targets().put(slug, target);
            }
        });
        directory.replace(hosts);
    }

    private static Map<String, LinkDirectory.Host> hosts(
            Connection connection, Function<UUID, Map<String, LinkDirectory.Target>> targets) throws SQLException {
        Map<String, LinkDirectory.Host> hosts = new HashMap<>();
        try (Statement statement = connection.createStatement();
                ResultSet row = statement.executeQuery(HOSTS)) {
            while (row.next()) {
                UUID id = row.getObject(2, UUID.class);
                hosts.put(
                        row.getString(1),
                        new LinkDirectory.Host(
                                id,
                                new BusinessId(row.getObject(3, UUID.class)),
                                row.getString(4),
                                row.getString(5),
                                row.getBoolean(6),
                                targets.apply(id)));
            }
        }
        return hosts;
    }

    private interface Taker {
        void take(String host, String slug, LinkDirectory.Target target);
    }

    private static void query(Connection connection, String which, @Nullable Object of, Taker taker)
            throws SQLException {
        connection.setAutoCommit(false); // millions of links come in portions, not all at once
        try (PreparedStatement statement = connection.prepareStatement(LINKS + which)) {
            statement.setFetchSize(PORTION);
            if (of != null) {
                statement.setObject(1, of);
            }
            Shared shared = new Shared(new HashMap<>(), new HashMap<>());
            try (ResultSet row = statement.executeQuery()) {
                while (row.next()) {
                    taker.take(row.getString(1), row.getString(2), target(row, shared));
                }
            }
        }
        connection.setAutoCommit(true);
    }

    /** What millions of links have in common is in memory once. */
    private record Shared(Map<UUID, UUID> ids, Map<UUID, BusinessId> businesses) {
        UUID id(UUID id) {
            return ids.computeIfAbsent(id, first -> first);
        }

        BusinessId business(UUID id) {
            return businesses.computeIfAbsent(id, BusinessId::new);
        }
    }

    private static LinkDirectory.Target target(ResultSet row, Shared shared) throws SQLException {
        return new LinkDirectory.Target(
                row.getObject("link_id", UUID.class),
                shared.id(row.getObject("source_id", UUID.class)),
                shared.business(row.getObject("business_id", UUID.class)),
                new Way(shared.id(row.getObject("destination_id", UUID.class)), row.getString("tagged_address")),
                days(row),
                routes(row),
                row.getBoolean("subscribes"),
                row.getBoolean("asks"));
    }

    private static Optional<LinkDirectory.Days> days(ResultSet row) throws SQLException {
        String outside = row.getString("outside_address");
        if (outside.isEmpty()) {
            return Optional.empty();
        }
        Timestamp opens = row.getTimestamp("opens_at");
        Timestamp closes = row.getTimestamp("closes_at");
        return Optional.of(new LinkDirectory.Days(
                opens == null ? Instant.MIN : opens.toInstant(),
                closes == null ? Instant.MAX : closes.toInstant(),
                outside));
    }

    private static Optional<LinkDirectory.Routes> routes(ResultSet row) throws SQLException {
        String branches = row.getString("branches");
        return branches == null
                ? Optional.empty()
                : Optional.of(new LinkDirectory.Routes(Branches.read(branches), ZoneId.of(row.getString("zone"))));
    }

    private void pause() {
        try {
            stopped.await(WAIT_MILLIS, TimeUnit.MILLISECONDS);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }
}
