package wendo.app.prepare.destinations;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import io.github.bucket4j.Bucket;
import java.time.Duration;
import org.springframework.stereotype.Component;
import wendo.app.platform.business.BusinessId;
import wendo.app.platform.business.BusinessScope;

/** How often a business may have pages looked at: nobody knocks on other people's servers by way of us. */
@Component
class LookLimit {
    private static final int PER_MINUTE = 60;

    private final Cache<BusinessId, Bucket> buckets = Caffeine.newBuilder()
            .expireAfterAccess(Duration.ofMinutes(10))
            .maximumSize(10_000)
            .build();

    boolean mayLook() {
        return buckets.get(
                        BusinessScope.current(),
                        business -> Bucket.builder()
                                .addLimit(limit ->
                                        limit.capacity(PER_MINUTE).refillGreedy(PER_MINUTE, Duration.ofMinutes(1)))
                                .build())
                .tryConsume(1);
    }
}
