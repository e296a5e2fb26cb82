package wendo.app.platform.site;

import com.github.benmanes.caffeine.cache.Caffeine;
import com.github.benmanes.caffeine.cache.LoadingCache;
import io.github.bucket4j.Bucket;
import java.time.Duration;
import java.util.List;
import org.springframework.http.HttpStatus;

/** How often one network address may call a public door in a minute; each process counts for itself. */
public final class CallLimit {
    private final LoadingCache<String, Bucket> callers;

    public CallLimit(int callsPerMinute) {
        callers = Caffeine.newBuilder()
                .expireAfterAccess(Duration.ofMinutes(5))
                .maximumSize(100_000)
                .build(caller -> Bucket.builder()
                        .addLimit(limit ->
                                limit.capacity(callsPerMinute).refillGreedy(callsPerMinute, Duration.ofMinutes(1)))
                        .build());
    }

    public boolean allows(String caller) {
        return callers.get(Digest.half(caller)).tryConsume(1);
    }

    /** Ends the request of a program that calls too often. */
    public void mustAllow(String caller) {
        if (!allows(caller)) {
            throw new ApiErrors(HttpStatus.TOO_MANY_REQUESTS, "Too many reports; wait a minute.", List.of());
        }
    }
}
