package wendo.app.platform.accounts;

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
import wendo.app.platform.business.BusinessId;
import wendo.app.platform.business.BusinessScope;
import wendo.app.platform.site.Digest;

/** Keys by which a business's own programs call the API. Only a digest is kept: a key is shown once. */
@Service
public class ApiKeys {
    private static final String PREFIX = "wendo_";
    private static final int SECRET_BYTES = 24;

    private final JdbcClient jdbc;
    private final ApiKeyRepository repository;
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

    ApiKeys(JdbcClient jdbc, ApiKeyRepository repository, Clock clock, BusinessScope scope) {
        this.jdbc = jdbc;
        this.repository = repository;
        this.clock = clock;
        this.scope = scope;
    }

    /** Makes a key for the current business and answers its text, which cannot be had again. */
    @Transactional
    public String create(String name, KeyScope scope) {
        return create(name, scope, Optional.empty());
    }

    /** The same, of somebody: when they leave, it is revoked. */
    @Transactional
    public String create(String name, KeyScope scope, Optional<UUID> by) {
        byte[] secret = new byte[SECRET_BYTES];
        random.nextBytes(secret);
        String key = PREFIX + HexFormat.of().formatHex(secret);
        repository.save(new ApiKey(name, key, clock.instant(), scope, by));
        return key;
    }

    @Transactional(readOnly = true)
    public List<Shown> list() {
        return repository.findByRevokedAtIsNullOrderByCreatedAtDescIdAsc().stream()
                .map(ApiKey::shown)
                .toList();
    }

    @Transactional
    public boolean revoke(UUID id) {
        Optional<ApiKey> key = repository.findById(id).filter(one -> !one.isRevoked());
        key.ifPresent(one -> one.revoke(clock.instant()));
        return key.isPresent();
    }

    @Transactional
    void revokeOf(UUID person) {
        repository.findByCreatedByAndRevokedAtIsNull(person).forEach(key -> key.revoke(clock.instant()));
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
                            .update()); // no edit, so it raises no version
        }
    }
}
