package wendo.app.issue.links;

import java.sql.Connection;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.sql.Timestamp;
import java.time.Instant;
import java.time.ZoneId;
import java.util.HashMap;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;
import wendo.app.platform.business.BusinessId;
import wendo.app.platform.site.PublicFace;
import wendo.core.links.Way;

/** What the database knows of hosts and links of all businesses, as the link host keeps it. */
final class LinkDirectoryRows {
    private static final int PORTION = 10_000;
    private static final String HOSTS = """
            select name, host_id, business_id, business_name, forwards_to, keeps_cookie, locale, origin, own_texts, own_words,
                site_key, has_logo, has_colour, edition, address, imprint, privacy, signed, brand_logo
            from door_link_hosts()
            """;
    private static final String LINKS = """
            select host, slug, link_id, source_id, business_id, destination_id, tagged_address, opens_at, closes_at,
                outside_address, zone, branches, subscribes, asks, campaign_id, brand_id
            from\s""";

    private LinkDirectoryRows() {}

    /** @param targets what is known of the links of a host */
    static Map<String, LinkDirectory.Host> hosts(
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
                                HostSpeech.of(
                                        Locale.forLanguageTag(row.getString(7)),
                                        (String[]) row.getArray(9).getArray(),
                                        (String[]) row.getArray(10).getArray()),
                                face(row),
                                row.getString(8),
                                targets.apply(id)));
            }
        }
        return hosts;
    }

    private static PublicFace face(ResultSet row) throws SQLException {
        return new PublicFace(
                row.getString("business_name"),
                row.getString("site_key"),
                row.getBoolean("has_logo"),
                row.getBoolean("has_colour"),
                row.getInt("edition"),
                row.getString("address"),
                row.getString("imprint"),
                row.getString("privacy"),
                row.getBoolean("signed"),
                row.getString("brand_logo"));
    }

    /** Receives the links one by one. */
    interface Taker {
        void take(String host, String slug, LinkDirectory.Target target);
    }

    /** @param which one of the database functions that read links across businesses, {@code of} its argument */
    static void links(Connection connection, String which, @Nullable Object of, Taker taker) throws SQLException {
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

    /** Values that millions of links share are kept in memory once. */
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
                row.getBoolean("asks"),
                shared.id(row.getObject("campaign_id", UUID.class)),
                Optional.ofNullable(row.getObject("brand_id", UUID.class)).map(shared::id));
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
}
