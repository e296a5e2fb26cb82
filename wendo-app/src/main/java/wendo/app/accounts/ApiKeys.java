package wendo.app.accounts;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.security.SecureRandom;
import java.sql.Timestamp;
import java.time.Clock;
import java.time.Duration;
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
import wendo.app.site.Digest;

/** Keys by which a business's own programs call the API. Only a digest is kept: a key is shown once. */
@Service
public class ApiKeys {
    private static final String PREFIX = "wendo_";
    private static final int SECRET_BYTES = 24;

    private final JdbcClient jdbc;
    private final Clock clock;
    private final BusinessScope scope;
    private final SecureRandom random = new SecureRandom();
    private final Cache<UUID, UUID> justUsed = Caffeine.newBuilder()
            .expireAfterWrite(Duration.ofMinutes(1))
            .maximumSize(10_000)
            .build();

    /** A key as its list shows it. */
    public record Shown(
            UUID id, String name, String start, Instant createdAt, KeyScope scope, Optional<Instant> lastUsedAt) {}

    /** A key that somebody called with. */
    record Used(BusinessId business, UUID key, KeyScope scope) {}

    ApiKeys(JdbcClient jdbc, Clock clock, BusinessScope scope) {
        this.jdbc = jdbc;
        this.clock = clock;
        this.scope = scope;
    }

    /** Makes a key for the current business and answers its text, which cannot be had again. */
    @Transactional
    public String create(String name, KeyScope scope) {
        byte[] secret = new byte[SECRET_BYTES];
        random.nextBytes(secret);
        String key = PREFIX + HexFormat.of().formatHex(secret);
        jdbc.sql("""
                        insert into api_key (id, business_id, name, shown_start, secret_hash, created_at, scope)
                        values (?, ?, ?, ?, ?, ?, ?)
                        """)
                .params(UUID.randomUUID(), BusinessScope.current().value(), name, key.substring(0, 10))
                .params(Digest.of(key), Timestamp.from(clock.instant()), scope.key())
                .update();
        return key;
    }

    @Transactional(readOnly = true)
    public List<Shown> list() {
        return jdbc.sql("""
                        select id, name, shown_start, created_at, scope, last_used_at from api_key
                        where revoked_at is null order by created_at desc, id
                        """)
                .query((row, number) -> new Shown(
                        row.getObject(1, UUID.class),
                        row.getString(2),
                        row.getString(3),
                        row.getTimestamp(4).toInstant(),
                        KeyScope.find(row.getString(5)).orElseThrow(),
                        Optional.ofNullable(row.getTimestamp(6)).map(Timestamp::toInstant)))
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
    Optional<Used> find(String key) {
        return jdbc.sql("select business_id, key_id, scope from door_api_key(?)")
                .param(Digest.of(key))
                .query((row, number) -> new Used(
                        new BusinessId(row.getObject(1, UUID.class)),
                        row.getObject(2, UUID.class),
                        KeyScope.find(row.getString(3)).orElseThrow()))
                .optional();
    }

    /** Keeps when a key was last used, to the minute. */
    void use(Used used) {
        if (justUsed.asMap().putIfAbsent(used.key(), used.key()) == null) {
            scope.within(
                    used.business(),
                    () -> jdbc.sql("update api_key set last_used_at = ? where id = ?")
                            .params(Timestamp.from(clock.instant()), used.key())
                            .update());
        }
    }
}
