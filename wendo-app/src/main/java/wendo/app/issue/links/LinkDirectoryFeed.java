package wendo.app.issue.links;

import java.sql.Array;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.LinkedHashSet;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;
import org.postgresql.PGConnection;
import org.postgresql.PGNotification;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.jdbc.autoconfigure.DataSourceProperties;
import org.springframework.context.SmartLifecycle;
import org.springframework.stereotype.Component;

/**
 * Keeps the {@link LinkDirectory} true: loads it whole on each new connection, then listens for changes that any
 * application process makes. While the database is away the directory stays as it was.
 */
@Component
class LinkDirectoryFeed implements SmartLifecycle {
    private static final Logger LOG = LoggerFactory.getLogger(LinkDirectoryFeed.class);
    private static final int WAIT_MILLIS = 1000;

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
            // Only the changed links are read: reading millions again would make a new link wait.
            directory.replace(LinkDirectoryRows.hosts(connection, id -> directory.targetsOf(id)));
            for (UUID changed : hostsOrBusinesses) {
                LinkDirectoryRows.links(connection, "door_links_of(?)", changed, directory::put);
            }
        }
        if (!links.isEmpty()) {
            Array these = connection.createArrayOf("uuid", links.toArray());
            LinkDirectoryRows.links(connection, "door_links(?)", these, directory::put);
        }
    }

    private void loadAll(Connection connection) throws SQLException {
        Map<String, LinkDirectory.Host> hosts = LinkDirectoryRows.hosts(connection, id -> LinkDirectory.noTargets());
        LinkDirectoryRows.links(connection, "door_links()", null, (name, slug, target) -> {
            LinkDirectory.Host host = hosts.get(name);
            if (host != null) { // else it was made between the two statements, and we are told of it next
                host.targets().put(slug, target);
            }
        });
        directory.replace(hosts);
    }

    private void pause() {
        try {
            stopped.await(WAIT_MILLIS, TimeUnit.MILLISECONDS);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }
}
