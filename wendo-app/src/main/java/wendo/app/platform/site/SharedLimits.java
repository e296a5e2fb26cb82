package wendo.app.platform.site;

import io.github.bucket4j.Bucket;
import io.github.bucket4j.BucketConfiguration;
import io.github.bucket4j.distributed.ExpirationAfterWriteStrategy;
import io.github.bucket4j.distributed.jdbc.PrimaryKeyMapper;
import io.github.bucket4j.distributed.proxy.ProxyManager;
import io.github.bucket4j.postgresql.Bucket4jPostgreSQL;
import java.time.Duration;
import javax.sql.DataSource;
import org.springframework.stereotype.Component;

/** Limits that all processes share, in the database: for guessing at secrets, where each process for itself is not enough. */
@Component
public class SharedLimits {
    private static final Duration LONGEST = Duration.ofHours(1);

    private final ProxyManager<String> buckets;

    SharedLimits(DataSource database) {
        buckets = Bucket4jPostgreSQL.selectForUpdateBasedBuilder(database)
                .primaryKeyMapper(PrimaryKeyMapper.STRING)
                .table("limit_bucket")
                .idColumn("id")
                .stateColumn("state")
                .expiresAtColumn("expires_at")
                .expirationAfterWrite(ExpirationAfterWriteStrategy.basedOnTimeForRefillingBucketUpToMax(LONGEST))
                .build();
    }

    /**
     * A limit for somebody or something.
     *
     * @param what is limited, such as sign-in
     * @param whom of any length; a digest of it is kept
     * @param times at once, and again over each {@code window}
     */
    public Bucket of(String what, String whom, int times, Duration window) {
        return buckets.getProxy(
                what + " " + Digest.half(whom),
                () -> BucketConfiguration.builder()
                        .addLimit(limit -> limit.capacity(times).refillGreedy(times, window))
                        .build());
    }
}
