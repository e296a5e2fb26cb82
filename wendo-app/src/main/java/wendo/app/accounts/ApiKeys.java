package wendo.app.accounts;

import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.security.SecureRandom;
import java.sql.Timestamp;
import java.time.Clock;
import java.time.Instant;
import java.util.HexFormat;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import wendo.app.business.BusinessId;
import wendo.app.business.BusinessScope;

/** Keys by which a business's own programs call the API. Only a digest is kept: a key is shown once. */
@Service
public class ApiKeys {
    private static final String PREFIX = "wendo_";
    private static final int SECRET_BYTES = 24;

    private final JdbcClient jdbc;
    private final Clock clock;
    private final SecureRandom random = new SecureRandom();

    /** A key as its list shows it. */
    public record Shown(UUID id, String name, String start, Instant createdAt) {}

    ApiKeys(JdbcClient jdbc, Clock clock) {
        this.jdbc = jdbc;
        this.clock = clock;
    }

    /** Makes a key for the current business and answers its text, which cannot be had again. */
    @Transactional
    public String create(String name) {
        byte[] secret = new byte[SECRET_BYTES];
        random.nextBytes(secret);
        String key = PREFIX + HexFormat.of().formatHex(secret);
        jdbc.sql("insert into api_key values (?, ?, ?, ?, ?, ?, null)")
                .params(UUID.randomUUID(), BusinessScope.current().value(), name, key.substring(0, 10))
                .params(digest(key), Timestamp.from(clock.instant()))
                .update();
        return key;
    }

    @Transactional(readOnly = true)
    public List<Shown> list() {
        return jdbc.sql("""
                        select id, name, shown_start, created_at from api_key
                        where revoked_at is null order by created_at desc, id
                        """)
                .query((row, number) -> new Shown(
                        row.getObject(1, UUID.class),
                        row.getString(2),
                        row.getString(3),
                        row.getTimestamp(4).toInstant()))
                .list();
    }

    @Transactional
    public boolean revoke(UUID id) {
        return jdbc.sql("update api_key set revoked_at = ? where id = ? and revoked_at is null")
                        .params(Timestamp.from(clock.instant()), id)
                        .update()
                == 1;
    }

    @Transactional(readOnly = true)
    Optional<BusinessId> findBusiness(String key) {
        return jdbc.sql("select door_api_key(?)")
                .param(digest(key))
                .query(UUID.class)
                .optional()
                .map(BusinessId::new);
    }

    private static String digest(String key) {
        try {
            byte[] digest = MessageDigest.getInstance("SHA-256").digest(key.getBytes(StandardCharsets.UTF_8));
            return HexFormat.of().formatHex(digest);
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException("Every Java has SHA-256", e);
        }
    }
}
